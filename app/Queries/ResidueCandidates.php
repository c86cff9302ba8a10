<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Residue\Eligibility;
use Ajuste\Core\Residue\ResidueCandidate;
use Ajuste\Core\Residue\ResiduePolicy;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Settlement\TaxRelief;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\OpenItem;
use Generator;
use Illuminate\Support\Facades\DB;

/** Open items of which a part is settled, as the rule for residues looks at them. */
final readonly class ResidueCandidates
{
    private const CHUNK = 500;

    public function __construct(
        private Settings $settings,
        private Positions $positions,
        private Contested $contested,
        private InvoiceLines $lines,
        private Blocks $blocks,
    ) {}

    /** The policy that holds on the day of a run. */
    public function policy(string $asOf): ResiduePolicy
    {
        $inForce = $this->settings->on($asOf);

        return new ResiduePolicy(
            $inForce->byCurrency(Setting::ResidueLimit),
            $inForce->byCurrency(Setting::WriteBackLimit),
            $inForce->text(Setting::ResiduePercent),
            $inForce->whole(Setting::ResidueDays),
            $inForce->text(Setting::WriteBackGround),
            $inForce->moneyOrNone(Setting::ResidueCapCustomer),
            $inForce->moneyOrNone(Setting::ResidueCapRun),
        );
    }

    /** @return Generator<int, ResidueCandidate> */
    public function of(Account $control, string $asOf, ResiduePolicy $policy): Generator
    {
        $some = [];
        $blocked = $this->blocks->of(RunKind::Residues);
        $open = Eligibility::wholeMayComeNear($policy)
            ? $this->positions->open($control->id, $asOf)
            : $this->positions->openInPart($control->id, $asOf);
        foreach ($open as [$customer, $item]) {
            if (! Eligibility::mayComeNear($item, $policy)) {
                continue;
            }
            $some[] = [$customer, $item];
            if (count($some) === self::CHUNK) {
                yield from $this->candidates($some, $asOf, $blocked);
                $some = [];
            }
        }
        yield from $this->candidates($some, $asOf, $blocked);
    }

    /**
     * @param list<array{Customer, OpenItem}> $some
     * @param array<int, string> $blocked reason by customer
     * @return Generator<int, ResidueCandidate>
     */
    private function candidates(array $some, string $asOf, array $blocked): Generator
    {
        $items = array_column($some, 1);
        $matched = $this->lastMatches(array_map(static fn (OpenItem $item): int => $item->id, $items), $asOf);
        $contested = $this->contested->of($items, $asOf);
        $relief = $this->settings->on($asOf)->isOn(Setting::TaxReliefWriteOffs);
        $taxed = $relief ? $this->lines->taxed($items) : [];
        foreach ($some as [$customer, $item]) {
            $carried = $item->carried();
            $lines = $taxed[$item->document] ?? [];
            $takesTax = $relief && $item->isDebit();
            $tax = $takesTax ? TaxRelief::within($carried->minor, $lines) : 0;
            yield new ResidueCandidate(
                $customer,
                $item,
                $matched[$item->id] ?? '',
                Money::sum(array_column($contested[$item->id] ?? [], 'amount'), $item->open->currency),
                $blocked[$customer->id] ?? '',
                Money::ofMinor($tax, $carried->currency),
                $takesTax ? ($lines === [] ? 'no tax comes off: its lines are not known' : '') : null,
            );
        }
    }

    /**
     * @param list<int> $itemIds
     * @return array<int, string> day of the last match that stands, by item
     */
    private function lastMatches(array $itemIds, string $asOf): array
    {
        $last = [];
        foreach (['debit_item_id', 'credit_item_id'] as $side) {
            $days = DB::table('matches as m')
                ->whereIn($side, $itemIds)
                ->where('m.date', '<=', $asOf)
                ->where('m.amount', '>', 0)
                ->whereNotExists(Matches::reversed(...))
                ->groupBy($side)
                ->selectRaw("{$side} AS item, max(m.date) AS day")
                ->pluck('day', 'item');
            foreach ($days as $item => $day) {
                $last[(int) $item] = max($last[(int) $item] ?? '', (string) $day);
            }
        }

        return $last;
    }
}
