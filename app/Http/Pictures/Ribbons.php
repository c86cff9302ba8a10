<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\ItemMatch;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;

/** Credits on the left, the debits that they settle on the right; the width of a ribbon is its amount. */
final readonly class Ribbons
{
    private const SPAN = 150;

    /** @var list<RibbonBar> */
    public array $bars;

    /** @var list<array{string, string, bool}> the path of a ribbon, what it says, and whether it is money that was kept back */
    public array $ribbons;

    public float $height;

    /**
     * @param list<Tick> $ticks
     * @param list<ItemMatch> $matches
     */
    public function __construct(array $ticks, array $matches)
    {
        $most = 1;
        foreach (Side::cases() as $side) {
            $most = max($most, array_sum(array_map(static fn (Tick $tick): int => $tick->item->side === $side ? $tick->item->open->minor : 0, $ticks)));
        }
        $bars = $at = $next = [];
        $height = 0.0;
        foreach ([Side::Credit, Side::Debit] as $side) {
            $y = 8.0;
            foreach ($ticks as $tick) {
                if ($tick->item->side === $side) {
                    $full = max(3.0, self::SPAN * $tick->item->open->minor / $most);
                    $bars[] = new RibbonBar(
                        $tick, $side === Side::Credit ? 190.0 : 470.0, round($y, 1), round($full, 1),
                        round($full * ($tick->item->open->minor === 0 ? 0 : $tick->amount->minor / $tick->item->open->minor), 1),
                    );
                    $at[$tick->item->id] = $next[$tick->item->id] = $y;
                    $y += max($full, 34) + 8;
                }
            }
            $height = max($height, $y);
        }
        $ribbons = [];
        foreach ($matches as $match) {
            $width = max(1.0, self::SPAN * $match->amount->minor / $most);
            $left = $next[$match->credit->id];
            $right = $next[$match->debit->id];
            $next[$match->credit->id] += $width;
            $next[$match->debit->id] += $width;
            $ribbons[] = [
                sprintf(
                    'M200 %.1fC335 %.1f 335 %.1f 470 %.1fV%.1fC335 %.1f 335 %.1f 200 %.1fZ', $left, $left, $right, $right, $right + $width,
                    $right + $width, $left + $width, $left + $width,
                ),
                "{$match->amount->grouped()} of {$match->credit->title()} settles {$match->debit->title()}", in_array($match->credit->kind, [Kind::Discount, Kind::Deduction], true),
            ];
        }
        $this->bars = $bars;
        $this->ribbons = $ribbons;
        $this->height = max(60.0, $height);
    }
}
