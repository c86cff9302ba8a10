<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;

/**
 * What settling a customer's open items with each other writes (R3): credits that stand elsewhere are brought first, then all is one
 * settlement.
 */
final readonly class SettlementPlan
{
    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked, private Relief $relief) {}

    /**
     * @param Ticked $ticked each item as it counts in the match
     * @param array<int, Brought> $brought credits that stand elsewhere, by item id
     *
     * @throws Refusal when it cannot be posted
     */
    public function plan(SettlementFrame $frame, Ticked $ticked, ReceiptSettlement $shares, array $brought): PostingPlan
    {
        if ($ticked->ticks === []) {
            throw new Refusal('Nothing is ticked. Tick at least one debit and one credit.');
        }
        Matching::refuseRemainder($shares->toExplain);
        $this->locked->refuse($frame->date, 'The match');
        foreach ($ticked->items() as $item) {
            if (isset($shares->takes[$item->id])) {
                // the others are not touched
                Matching::refuseEarlier($item, $frame->date);
            }
        }
        $plan = new PlanBuilder();
        $settlement = $plan->settlement($frame->customer->id, $frame->date);
        $instead = [];
        foreach ($brought as $id => $credit) {
            if (isset($shares->takes[$id])) {
                $instead[$id] = $credit->bring($plan, $settlement, $frame, $shares->takes[$id]);
            }
        }
        (new Settling($this->accounts, $this->locked, $this->relief))->settle(
            $plan,
            $settlement,
            $frame,
            $ticked,
            $shares,
            instead: $instead,
        );

        return $plan->build(Subject::settlement($settlement));
    }

    /**
     * The day by which money that settles an item earns a discount, for each credit in the order in which it is used.
     *
     * @param list<Tick> $credits
     * @param array<int, string> $valueDates by item id; the item's own date where none is known
     * @return list<DatedMoney>
     */
    public static function money(array $credits, array $valueDates): array
    {
        return array_map(
            static fn (Tick $tick): DatedMoney => new DatedMoney(
                $tick->amount,
                $valueDates[$tick->item->id] ?? $tick->item->date,
                $tick->item->kind->settlesAs(),
            ),
            $credits,
        );
    }
}
