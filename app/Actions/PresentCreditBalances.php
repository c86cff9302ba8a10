<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Presentation\CreditBalancePolicy;
use Ajuste\Core\Presentation\CreditBalances;
use Ajuste\Core\Presentation\PresentationPlan;
use Ajuste\Core\Presentation\PresentedCredit;
use Ajuste\Core\Refusal;
use App\Models\Run;
use App\Models\Voucher;
use App\Queries\Positions;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use Illuminate\Support\Facades\DB;

/** Shows customers in credit as a liability: one run, with its day-one reversal, posted and reversible together (R10). */
final readonly class PresentCreditBalances
{
    public const KIND = 'credit_balances';

    public function __construct(private Settings $settings, private Positions $positions, private Actor $actor, private AuditTrail $audit, private VoucherReversal $reversal) {}

    /** @throws Refusal */
    public function plan(Account $account, string $asOf): PresentationPlan
    {
        $rule = new CreditBalances($this->settings->accounts(), $this->settings->locked(), $this->settings->base());

        return $rule->plan(
            $account, $asOf, $this->positions->forPresentation($account->id, $asOf),
            CreditBalancePolicy::from($this->settings->text(Setting::CreditBalances)), $this->settings->money(Setting::CreditBalanceLimit),
        );
    }

    /** The run of that day that stands, if there is one. */
    public function standing(Account $account, string $asOf): ?Run
    {
        return Run::query()->where(['kind' => self::KIND, 'account_id' => $account->id, 'as_of' => $asOf])
            ->whereNotIn('id', DB::table('run_reversals')->select('run_id'))->orderByDesc('id')->first();
    }

    /** Whether the run still says what the books say; else it is out of date and its station is open again (R13). */
    public function isCurrent(Run $run, PresentationPlan $plan): bool
    {
        $line = static fn (?int $customer, ?int $item, int $base): string => "{$customer} {$item} {$base}";
        $posted = DB::table('run_lines')->where('run_id', $run->id)->get()->map(static fn (object $row): string => $line($row->customer_id, $row->item_id, $row->base))->all();
        $planned = array_map(static fn (PresentedCredit $credit): string => $line($credit->customerId, $credit->itemId, $credit->base->minor), $plan->lines);
        sort($posted);
        sort($planned);

        return $posted === $planned;
    }

    /**
     * Posts the run. One of the same day that stands and is out of date is reversed and replaced.
     *
     * @return int the run's number
     *
     * @throws Refusal when there is nothing to post, or the run stands already
     */
    public function post(string $key, Account $account, string $asOf): int
    {
        return (int) Once::for($key, function () use ($account, $asOf): int {
            $plan = $this->plan($account, $asOf);
            $record = new Recorder($this->actor);
            $standing = $this->standing($account, $asOf);
            if ($standing !== null) {
                if ($this->isCurrent($standing, $plan)) {
                    throw new Refusal("The credit balances of {$asOf} are presented already, by run {$standing->id}. Reverse it first to post it again.");
                }
                $this->reverse($record, $standing, 'Replaced: the balances that it looked at have changed');
            }
            if ($plan->voucher === null || $plan->mirror === null) {
                if ($standing === null) {
                    throw new Refusal("No customer of {$account->number} is in credit as of {$asOf}. There is nothing to post.");
                }
                $record->flush();

                return $standing->id;
            }
            $run = Run::query()->create([
                'kind' => self::KIND, 'account_id' => $account->id, 'as_of' => $asOf, 'policy' => $plan->policy->value, 'total' => $plan->total->minor, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt,
            ]);
            foreach ($plan->lines as $line) {
                DB::table('run_lines')->insert([
                    'run_id' => $run->id, 'customer_id' => $line->customerId, 'item_id' => $line->itemId, 'currency' => $line->amount->currency->code, 'amount' => $line->amount->minor, 'base' => $line->base->minor, 'why' => $line->why,
                ]);
            }
            $record->voucher($plan->voucher, runId: $run->id);
            $record->voucher($plan->mirror, runId: $run->id);
            $record->flush();
            $this->audit->record('present credit balances', "run {$run->id}", '', ['as_of' => $asOf, 'account' => $account->number, 'total' => $plan->total->decimal()]);

            return $run->id;
        });
    }

    /** @throws Refusal when the reason is blank or the run is reversed already */
    public function reverseRun(string $key, int $runId, string $reason): void
    {
        Once::for($key, function () use ($runId, $reason): int {
            if (trim($reason) === '') {
                throw new Refusal('A reversal needs a reason, so that others can follow it.');
            }
            $record = new Recorder($this->actor);
            $this->reverse($record, Run::query()->where('kind', self::KIND)->findOrFail($runId), $reason);
            $record->flush();

            return $runId;
        });
    }

    /** Each voucher is taken back on its own day, so that no day shows half of the run. */
    private function reverse(Recorder $record, Run $run, string $reason): void
    {
        if (DB::table('run_reversals')->where('run_id', $run->id)->exists()) {
            throw new Refusal("Run {$run->id} is reversed already.");
        }
        foreach (Voucher::query()->where('run_id', $run->id)->whereNull('reverses_id')->orderBy('id')->get() as $voucher) {
            $this->settings->locked()->refuse($voucher->date, "The reversal of {$voucher->number}");
            $this->reversal->post($record, $voucher, $voucher->date);
        }
        DB::table('run_reversals')->insert(['run_id' => $run->id, 'reason' => $reason, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
        $this->audit->record('reverse run', "run {$run->id}", $reason);
    }
}
