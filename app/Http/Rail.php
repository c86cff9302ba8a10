<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Presentation\PresentationPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use App\Actions\Runs\RunPlans;
use App\Queries\ControlFigures;
use App\Queries\Settings;
use App\Queries\SignOffs;
use App\Queries\StandingProof;
use App\Queries\StatementLines;
use App\Queries\Unapplied;
use App\Support\Remembered;
use Illuminate\Support\Facades\DB;

/** The stations in the order of the work, each with its remaining count and amount, from the books. */
final readonly class Rail
{
    public function __construct(
        private Settings $settings,
        private ProofStation $proof,
        private Unapplied $unapplied,
        private ControlFigures $figures,
        private RunPlans $plans,
        private StatementLines $lines,
        private SignOffs $signOffs,
    ) {}

    /**
     * Each is worked out anew when rows that it looks at were added; in between it is remembered.
     *
     * @return list<Station>
     */
    public function stations(Account $account, string $asOf): array
    {
        $of = "{$account->id} {$asOf}";
        $positions = ['settings', 'accounts', 'items', 'matches', 'match_reversals', 'period_locks'];

        return [
            Remembered::while('rail intake', ['imports', 'rows_set_aside', 'rows_closed'], $this->intake(...)),
            Remembered::while(
                "rail receipts {$asOf}",
                ['settings', 'money_lines', 'placements', 'placement_reversals', 'batches', 'batch_postings', 'movement_answers'],
                fn (): Station => $this->receipts($asOf),
            ),
            Remembered::while(
                "rail proof {$of}",
                [...StandingProof::BESIDE, 'postings', 'items', 'carried_causes', 'carried_causes_withdrawn'],
                fn (): Station => $this->proof->of($account, $asOf),
            ),
            Remembered::while(
                "rail unapplied {$of}",
                [...$positions, 'loose_reasons'],
                fn (): Station => $this->unapplied($account, $asOf),
            ),
            Remembered::while(
                "rail contra {$of}",
                [...$positions, 'contested', 'contested_ends', 'customers', 'suppliers', 'supplier_items', 'agreements', 'party_links',
                    'supplier_contras', 'item_reversals', 'customer_blocks', 'customer_blocks_lifted', 'run_choices', 'pair_choices'],
                fn (): Station => $this->run(RunKind::Contra, 'Contra', 'Set off', $account, $asOf),
            ),
            Remembered::while(
                "rail residues {$of}",
                [...$positions, 'contested', 'contested_ends', 'customer_blocks', 'customer_blocks_lifted', 'run_choices'],
                fn (): Station => $this->run(RunKind::Residues, 'Residues', 'Write off', $account, $asOf),
            ),
            Remembered::while(
                "rail currency {$of}",
                [...$positions, 'rates', 'rates_accepted', 'run_choices', 'calendar_periods'],
                fn (): Station => $this->run(RunKind::Currency, 'Currency', 'Revalue', $account, $asOf),
            ),
            Remembered::while(
                "rail credit balances {$of}",
                [...$positions, 'runs', 'run_reversals'],
                fn (): Station => $this->run(RunKind::CreditBalances, 'Credit balances', 'Present', $account, $asOf, 'customer'),
            ),
            $this->aged($account, $asOf),
            $this->signOff($asOf),
        ];
    }

    private function intake(): Station
    {
        $aside = DB::table('rows_set_aside')
            ->whereNotIn('id', DB::table('rows_closed')->select('row_id'))
            ->count();
        $imports = DB::table('imports')->count();
        $remains = $aside === 0 ? ($imports === 0 ? 'no file yet' : '') : Say::count($aside, 'row').' aside';

        return new Station(
            'Intake',
            'intake',
            $remains,
            null,
            $remains === '',
            $imports === 0 ? 'Hand in the files of the period' : 'Settle '.Say::count($aside, 'row').' set aside',
        );
    }

    private function receipts(string $asOf): Station
    {
        $lines = $this->lines->toPlace($asOf);

        return new Station(
            'Receipts',
            'receipts',
            $lines === [] ? '' : Say::count(count($lines), 'line'),
            StatementLines::sum($lines, $this->settings->base()),
            $lines === [],
            'Place '.Say::count(count($lines), 'line').'',
            '',
            $lines[0]->dates->booking ?? '',
        );
    }

    private function unapplied(Account $account, string $asOf): Station
    {
        $sums = $this->unapplied->totals($account, $asOf)->sums;

        return new Station(
            'Unapplied',
            'unapplied',
            $sums->items === 0 ? '' : Say::count($sums->items, 'item'),
            $this->money($sums->credits),
            $sums->items === 0,
            'Match '.number_format($sums->items).' unapplied receipts and credits',
            $this->money($sums->matchable)->grouped().' can be matched',
            $sums->oldest,
        );
    }

    private function run(RunKind $kind, string $name, string $verb, Account $account, string $asOf, string $of = 'line'): Station
    {
        try {
            $run = $this->plans->of($kind, $account, $asOf);
        } catch (Refusal $refusal) {
            return new Station($name, $kind->path(), 'not possible', null, false, $verb, $refusal->getMessage());
        }
        $count = count($run->lines());
        $late = $run instanceof PresentationPlan && $run->outOfDate !== null;

        return new Station(
            $name,
            $kind->path(),
            $count === 0 && ! $late ? '' : Say::count($count, $of),
            $run->total(),
            $count === 0 && ! $late,
            "{$verb} ".Say::count($count, $of),
            match (true) {
                $late => 'the run is out of date',
                default => $run->leftOut() === [] ? '' : number_format(count($run->leftOut())).' left out',
            },
        );
    }

    private function aged(Account $account, string $asOf): Station
    {
        $difference = $this->figures->at($account, $asOf)->difference;

        return new Station(
            'Aged',
            'aged',
            $difference->isZero() ? 'ties' : 'does not tie',
            null,
            false,
            'Strike the aged list',
            $difference->isZero() ? 'equals the control account' : "off by {$difference->abs()->grouped()}",
        );
    }

    private function signOff(string $asOf): Station
    {
        $locked = $this->settings->locked()->includes($asOf);
        $period = $this->settings->period();
        $prepared = $this->signOffs->latest($period, 'preparer') !== null;

        return new Station(
            'Sign-off',
            'sign-off',
            $locked ? '' : ($prepared ? 'in review' : 'open'),
            null,
            $locked,
            $prepared ? "Sign {$period->name} second" : "Sign {$period->name}",
        );
    }

    private function money(int $minor): Money
    {
        return Money::ofMinor($minor, $this->settings->base());
    }
}
