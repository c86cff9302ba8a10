<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Contra\Bill;
use Ajuste\Core\Contra\Offset;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Ref;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\OpenItem;
use LogicException;

/** Credits on the left, the debits that they settle on the right; the width of a ribbon is its amount. */
final readonly class Ribbons
{
    private const SPAN = 150;

    /** @var list<RibbonBar> */
    public array $bars;

    /** @var list<array{string, string, bool}> the path of a ribbon, what it says, and whether it is money that did not come */
    public array $ribbons;

    public float $height;

    /** Minor units at full span. */
    private int $most;

    /**
     * @param list<RibbonEnd> $ends
     * @param list<array{RibbonEnd, RibbonEnd, Money}> $ties left, right and amount
     */
    private function __construct(array $ends, array $ties)
    {
        $open = static fn (bool $left): int => array_sum(
            array_map(static fn (RibbonEnd $end): int => $end->isLeft === $left ? $end->open->minor : 0, $ends),
        );
        $this->most = max(1, $open(true), $open(false));
        $this->bars = [...$this->column($ends, true, 190.0), ...$this->column($ends, false, 470.0)];
        $this->ribbons = $this->paths($ties);
        $this->height = max(60.0, ...array_map(static fn (RibbonBar $bar): float => $bar->y + max($bar->full, 34) + 8, $this->bars));
    }

    /**
     * What a plan ties together; without a plan the ticked items stand by themselves.
     *
     * @param non-empty-list<Tick> $ticks
     */
    public static function of(array $ticks, ?PostingPlan $plan): self
    {
        $items = array_column(array_map(static fn (Tick $tick): array => [$tick->item->id, $tick->item], $ticks), 1, 0);
        $ties = [];
        foreach ($plan->matches ?? [] as $match) {
            if ($match->amount->isZero() || ! isset($items[$match->debit->id])) {
                continue; // what only moves base, or brings a credit to where it settles
            }
            $nil = Money::zero($match->amount->currency);
            $credit = $items[$match->credit->id] ?? self::planned($plan, $match->credit);
            $ties[] = [RibbonEnd::ofItem($credit, $nil), RibbonEnd::ofItem($items[$match->debit->id], $nil), $match->amount];
        }

        return $ties === [] ? new self(array_map(RibbonEnd::ofTick(...), $ticks), []) : self::tied($ties);
    }

    /** A pair of customer and supplier: own credits and bills on the left, what the customer owes on the right. */
    public static function ofOffset(Offset $offset): self
    {
        $nil = Money::zero($offset->party->currency);
        $ties = [];
        foreach ($offset->ties() as $tie) {
            $from = $tie->from instanceof Bill ? RibbonEnd::ofBill($tie->from, $nil) : RibbonEnd::ofItem($tie->from, $nil);
            $ties[] = [$from, RibbonEnd::ofItem($tie->debit, $nil), $tie->amount];
        }

        return self::tied($ties);
    }

    /** @param  list<array{RibbonEnd, RibbonEnd, Money}>  $ties */
    private static function tied(array $ties): self
    {
        $ends = [];
        foreach ($ties as [$left, $right, $amount]) {
            foreach ([$left, $right] as $end) {
                $ends[$end->key] = ($ends[$end->key] ?? $end)->using($amount);
            }
        }

        return new self(array_values($ends), $ties);
    }

    private static function planned(?PostingPlan $plan, Ref $ref): OpenItem
    {
        $item = $plan?->items[$ref->place()] ?? throw new LogicException('A match names an item that is neither ticked nor planned.');

        return OpenItem::planned($ref, $item->head, $item->amount, $item->base);
    }

    /**
     * @param list<RibbonEnd> $ends
     * @return list<RibbonBar>
     */
    private function column(array $ends, bool $left, float $x): array
    {
        $bars = [];
        $y = 8.0;
        foreach ($ends as $end) {
            if ($end->isLeft === $left) {
                $open = $end->open->minor;
                $full = max(3.0, (self::SPAN * $open) / $this->most);
                $used = $full * ($open === 0 ? 0 : $end->used->minor / $open);
                $bars[] = new RibbonBar($end, $x, round($y, 1), round($full, 1), round($used, 1));
                $y += max($full, 34) + 8;
            }
        }

        return $bars;
    }

    /**
     * @param list<array{RibbonEnd, RibbonEnd, Money}> $ties
     * @return list<array{string, string, bool}>
     */
    private function paths(array $ties): array
    {
        $next = [];
        foreach ($this->bars as $bar) {
            $next[$bar->end->key] = $bar->y;
        }
        $ribbons = [];
        foreach ($ties as [$from, $to, $amount]) {
            $width = max(1.0, (self::SPAN * $amount->minor) / $this->most);
            [$left, $right] = [$next[$from->key], $next[$to->key]];
            $next[$from->key] += $width;
            $next[$to->key] += $width;
            $ribbons[] = [
                sprintf(
                    'M200 %.1fC335 %.1f 335 %.1f 470 %.1fV%.1fC335 %.1f 335 %.1f 200 %.1fZ',
                    $left,
                    $left,
                    $right,
                    $right,
                    $right + $width,
                    $right + $width,
                    $left + $width,
                    $left + $width,
                ),
                "{$amount->grouped()} of {$from->title} settles {$to->title}",
                $from->isReduction,
            ];
        }

        return $ribbons;
    }
}
