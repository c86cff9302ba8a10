<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Currency\Revalued;
use Ajuste\Core\Money\DatedRate;
use Ajuste\Core\Money\Money;

/** A currency's rate over the twelve months to a day, in base per unit, with the open documents at the rate that each carries. */
final readonly class RatePicture
{
    public const WIDTH = 470;

    public const HEIGHT = 104;

    public const DAYS = 365;

    /** Of documents so near to each other one is seen. */
    private const DOT = 3;

    public string $line;

    /** @var list<array{float, float, string}> places of documents, and what each says */
    public array $dots;

    public string $low;

    public string $high;

    public float $closingAt;

    /**
     * @param list<DatedRate> $rates the oldest first
     * @param list<Revalued> $documents
     */
    public function __construct(public string $code, array $rates, array $documents, string $asOf)
    {
        $first = Day::plus($asOf, -self::DAYS);
        $own = $dots = [];
        foreach ($documents as $of) {
            $item = $of->of->item;
            $rate = self::units($item->base) / self::units($item->amount); // only drawn
            $own[] = [max($first, $item->date), $rate, $item->title()];
        }
        $values = [
            ...array_map(static fn (DatedRate $of): float => $of->rate->perUnit()->toFloat(), $rates),
            ...array_column($own, 1),
        ];
        [$low, $high] = $values === [] ? [0.0, 1.0] : [min($values), max($values)];
        $span = max($high - $low, $high / 1000, 1e-9);
        $y = static fn (float $value): float => round(26 + 70 * ($high - $value) / $span, 1);
        $x = static fn (string $day): float => round(4 + (self::WIDTH - 62) * Day::between($first, $day) / self::DAYS, 1);
        $path = '';
        foreach ($rates as $rate) {
            $at = $y($rate->rate->perUnit()->toFloat());
            $path .= $path === '' ? "M{$x($rate->date)} {$at}" : "H{$x($rate->date)}V{$at}";
            $closing = $at;
        }
        $this->line = $path === '' ? '' : "{$path}H{$x($asOf)}";
        $this->closingAt = $closing ?? $y($low);
        foreach ($own as [$day, $value, $title]) {
            [$across, $down] = [$x($day), $y($value)];
            $place = round($across / self::DOT).' '.round($down / self::DOT);
            $dots[$place] ??= [$across, $down, $title.', at '.number_format($value, 4), 0];
            $dots[$place][3]++;
        }
        $this->dots = array_map(
            static fn (array $of): array => [$of[0], $of[1], $of[3] === 1 ? $of[2] : $of[2].' and '.number_format($of[3] - 1).' more'],
            array_values($dots),
        );
        [$this->low, $this->high] = [number_format($low, 4), number_format($high, 4)];
    }

    private static function units(Money $of): float
    {
        return $of->minor / $of->currency->minorPerUnit();
    }
}
