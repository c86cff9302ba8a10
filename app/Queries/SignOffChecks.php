<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\SignOff\Check;
use Illuminate\Support\Facades\DB;

/** What has to be so before a period is signed, worked out from the books. */
final readonly class SignOffChecks
{
    /** The check that a button settles. */
    public const BACKUP = 'backup';

    public function __construct(
        private Settings $settings,
        private Reports $reports,
        private ControlFigures $figures,
        private TrialBalance $balance,
        private Runs $runs,
        private BankAccounts $banks,
        private WaitingChecks $waiting,
    ) {}

    /** @return list<Check> beside those of the stations */
    public function of(Account $account, string $asOf): array
    {
        return [
            $this->aged($account, $asOf),
            $this->deposits($asOf),
            $this->clearing($asOf),
            $this->runsUpToDate($account),
            ...$this->waiting->checks(),
            $this->banks($asOf),
            $this->returned($asOf),
            $this->backup(),
        ];
    }

    private function aged(Account $account, string $asOf): Check
    {
        $difference = $this->reports->agedSums($account, $asOf)->difference($this->figures->at($account, $asOf)->control);

        return new Check(
            'aged', 'The aged list equals the control account', $difference->isZero(), "difference {$difference->grouped()}", 'aged',
        );
    }

    private function deposits(string $asOf): Check
    {
        $off = [];
        foreach ($this->settings->accounts()->allWithRole(AccountRole::CustomerDeposits) as $account) {
            $difference = $this->figures->at($account, $asOf)->difference;
            if (! $difference->isZero()) {
                $off[] = "{$account->number} differs by {$difference->grouped()}";
            }
        }

        return new Check('deposits', 'Deposits equal their account', $off === [], implode(', ', $off), 'deposits');
    }

    private function clearing(string $asOf): Check
    {
        $left = [];
        foreach ($this->settings->accounts()->thatMustClear() as $account) {
            $rest = $this->balance->rest($account, $asOf);
            if ($rest !== []) {
                $left[] = count($rest)." left on {$account->number}";
            }
        }

        return new Check('clearing', 'Accounts that must clear are nil', $left === [], implode(', ', $left), 'clearing');
    }

    private function runsUpToDate(Account $account): Check
    {
        $late = [];
        foreach ([RunKind::Contra, RunKind::Residues, RunKind::Currency] as $kind) {
            foreach (array_keys($this->runs->outOfDate($kind, $account->id)) as $run) {
                $late[] = "run {$run} ({$kind->words()})";
            }
        }

        return new Check('runs', 'No posted run is out of date', $late === [], implode(', ', $late));
    }

    private function banks(string $asOf): Check
    {
        $off = [];
        foreach ($this->banks->all($asOf) as $bank) {
            if ($bank->closing !== null && ! $bank->ties()) {
                $off[] = $bank->account->number;
            }
        }

        return new Check('bank', 'Banks agree with their last statements', $off === [], implode(', ', $off), 'bank');
    }

    private function returned(string $asOf): Check
    {
        $count = DB::table('vouchers')
            ->where('date', '<=', $asOf)
            ->whereNotIn('id', DB::table('voucher_confirmations')->select('voucher_id'))
            ->count();
        $says = $count === 0 ? '' : "{$count} vouchers have not come back";

        return new Check('journals', 'The accounting system took over every voucher', $count === 0, $says, 'journals');
    }

    private function backup(): Check
    {
        $last = LastBackup::find();
        $says = $last->at === null ? 'none yet' : 'something was posted after the last one';

        return new Check(self::BACKUP, 'A backup was taken since something was last posted', $last->hasAll, $last->hasAll ? '' : $says);
    }
}
