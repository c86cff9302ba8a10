<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\AmountContested;
use Ajuste\Core\Posting\Fact\InstalmentMeant;
use Ajuste\Core\Posting\Fact\LinesMeant;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\OpenItem;

/**
 * Ties what was ticked together as one settlement of a plan: discounts and deductions come off, the rest is matched, what is contested is
 * marked (R3 to R5).
 */
final readonly class Settling
{
    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked, private Relief $relief) {}

    /**
     * @param int $settlement its place in the plan
     * @param list<Tick> $first credits that the plan made and that are used before all others, such as the receipt
     * @param array<int, OpenItem> $instead credits that the plan made in place of ticked ones, by the id of those
     *
     * @throws Refusal when it cannot be matched
     */
    public function settle(
        PlanBuilder $plan,
        int $settlement,
        SettlementFrame $frame,
        Ticked $ticked,
        ReceiptSettlement $shares,
        array $first = [],
        array $instead = [],
    ): MatchPlan {
        $reductions = new Reductions($plan, $settlement, $this->accounts, $this->relief, $frame->control, $frame->customer);
        $reserved = $reductions->add($ticked, $shares->takes, $frame->voucherDate, $frame->document);
        $ticks = $first;
        foreach ($ticked->items() as $item) {
            if (isset($shares->takes[$item->id])) {
                $ticks[] = new Tick($instead[$item->id] ?? $plan->asLeft($item), $shares->takes[$item->id]);
            }
        }
        $match = (new Matching($this->accounts, $this->locked, $this->relief))->plan(
            [...$ticks, ...self::credits($reserved)],
            $frame->date,
            $frame->customer->number,
            $reserved,
        );
        $match->addTo($plan, $settlement);
        foreach ($shares->contested as $contested) {
            assert($contested->invoice !== null);
            $plan->fact(
                new AmountContested($contested->invoice->ref, $contested->reason->code, $contested->amount, $frame->date, $settlement),
            );
        }
        $this->whatIsMeant($plan, $settlement, $ticked, $shares);

        return $match;
    }

    /** The lines and the instalments that were named. */
    private function whatIsMeant(PlanBuilder $plan, int $settlement, Ticked $ticked, ReceiptSettlement $shares): void
    {
        foreach (array_intersect_key(array_column($ticked->items(), null, 'id'), $shares->takes) as $id => $item) {
            if (($ticked->lines[$id] ?? []) !== []) {
                $plan->fact(new LinesMeant($item->ref, $ticked->lines[$id], $settlement));
            }
            if (isset($ticked->instalments[$id])) {
                $plan->fact(new InstalmentMeant($item->ref, $ticked->instalments[$id], $settlement));
            }
        }
    }

    /**
     * The credits that reductions made, each once with all that it takes.
     *
     * @param list<Reserved> $reserved
     * @return list<Tick>
     */
    private static function credits(array $reserved): array
    {
        $ticks = [];
        foreach ($reserved as $of) {
            $before = $ticks[$of->credit->id]->amount ?? Money::zero($of->amount->currency);
            $ticks[$of->credit->id] = new Tick($of->credit, $before->plus($of->amount));
        }

        return array_values($ticks);
    }
}
