<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Currency\Revalued;
use Ajuste\Core\Money\DatedRate;
use Brick\Math\BigRational;

/** A currency's rate over the twelve months to a day, in base per unit, with the open documents at the rate that each carries. */
final readonly class RatePicture
{
    public const WIDTH = 470;

    public const HEIGHT = 104;

    public const DAYS = 365;

    public string $line;

    /** @var list<array{float, float, string}> place of each document, and what it says */
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
            $own[] = [max($first, $item->date), self::ratio($item->base->minor, $item->base->currency->minorPerUnit())
                ->dividedBy(self::ratio($item->amount->minor, $item->amount->currency->minorPerUnit()))->toFloat(), $item->title()];
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
            $dots[] = [$x($day), $y($value), $title.', at '.number_format($value, 4)];
        }
        $this->dots = $dots;
        [$this->low, $this->high] = [number_format($low, 4), number_format($high, 4)];
    }

    private static function ratio(int $minor, int $perUnit): BigRational
    {
        return BigRational::of($minor)->dividedBy($perUnit);
    }
}
