<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Ref;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\ItemMatch;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
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
     * @param list<Tick> $ticks
     * @param list<ItemMatch> $matches
     */
    private function __construct(array $ticks, array $matches)
    {
        $open = static fn (Side $side): int => array_sum(
            array_map(static fn (Tick $tick): int => $tick->item->side === $side ? $tick->item->takeable->minor : 0, $ticks),
        );
        $this->most = max(1, $open(Side::Credit), $open(Side::Debit));
        $this->bars = [...$this->column($ticks, Side::Credit, 190.0), ...$this->column($ticks, Side::Debit, 470.0)];
        $this->ribbons = $this->paths($matches);
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
        $matches = $used = [];
        foreach ($plan->matches ?? [] as $match) {
            if ($match->amount->isZero() || ! isset($items[$match->debit->id()])) {
                continue; // what only moves base, or brings a credit to where it settles
            }
            $credit = $items[$match->credit->id()] ?? self::planned($plan, $match->credit);
            $matches[] = new ItemMatch($items[$match->debit->id()], $credit, $match->amount, $match->debitBase, $match->creditBase);
            foreach ([$items[$match->debit->id()], $credit] as $item) {
                $used[$item->id] = new Tick(
                    $item,
                    isset($used[$item->id]) ? $used[$item->id]->amount->plus($match->amount) : $match->amount,
                );
            }
        }

        return $matches === [] ? new self($ticks, []) : new self(array_values($used), $matches);
    }

    private static function planned(?PostingPlan $plan, Ref $ref): OpenItem
    {
        $item = $plan?->items[$ref->place()] ?? throw new LogicException('A match names an item that is neither ticked nor planned.');

        return OpenItem::planned($ref, $item->head, $item->amount, $item->base);
    }

    /**
     * @param list<Tick> $ticks
     * @return list<RibbonBar>
     */
    private function column(array $ticks, Side $side, float $x): array
    {
        $bars = [];
        $y = 8.0;
        foreach ($ticks as $tick) {
            if ($tick->item->side === $side) {
                $open = $tick->item->takeable->minor;
                $full = max(3.0, (self::SPAN * $open) / $this->most);
                $bars[] = new RibbonBar(
                    $tick,
                    $x,
                    round($y, 1),
                    round($full, 1),
                    round($full * ($open === 0 ? 0 : $tick->amount->minor / $open), 1),
                );
                $y += max($full, 34) + 8;
            }
        }

        return $bars;
    }

    /**
     * @param list<ItemMatch> $matches
     * @return list<array{string, string, bool}>
     */
    private function paths(array $matches): array
    {
        $next = [];
        foreach ($this->bars as $bar) {
            $next[$bar->tick->item->id] = $bar->y;
        }
        $ribbons = [];
        foreach ($matches as $match) {
            $width = max(1.0, (self::SPAN * $match->amount->minor) / $this->most);
            [$left, $right] = [$next[$match->credit->id], $next[$match->debit->id]];
            $next[$match->credit->id] += $width;
            $next[$match->debit->id] += $width;
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
                "{$match->amount->grouped()} of {$match->credit->title()} settles {$match->debit->title()}",
                in_array($match->credit->kind, [Kind::Discount, Kind::Deduction], true),
            ];
        }

        return $ribbons;
    }
}
