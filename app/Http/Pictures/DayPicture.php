<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\DayChart;
use Ajuste\Core\Proof\DayEnd;

/** The difference between control account and customers, day by day, as a line of steps. */
final readonly class DayPicture
{
    public const HEIGHT = 118;

    public string $line;

    public string $area;

    public float $zero;

    /** @var list<DayPoint> the days on which it changed */
    public array $points;

    /** @var list<array{float, string}> place and label of some days */
    public array $marks;

    public function __construct(public DayChart $chart, public float $width, Currency $base)
    {
        $days = $chart->days;
        $values = array_map(static fn (DayEnd $day): int => $day->difference(), $days);
        [$low, $high] = [min(0, ...$values), max(0, ...$values)];
        $span = max(1, $high - $low);
        $y = static fn (int $value): float => round(12 + (76 * ($high - $value)) / $span, 1);
        $x = fn (int $place): float => round(20 + (($this->width - 50) * $place) / max(1, count($days) - 1), 1);
        $this->zero = $y(0);
        $path = '';
        $points = $marks = [];
        $last = count($days) - 1;
        foreach ($days as $place => $day) {
            $path .= $place === 0 ? "M{$x(0)} {$y($values[0])}" : "H{$x($place)}V{$y($values[$place])}";
            if ($day->step !== 0) {
                $points[] = new DayPoint(
                    $day->day,
                    $x($place),
                    $y($values[$place]),
                    Money::ofMinor($day->step, $base),
                    Money::ofMinor($values[$place], $base),
                );
            }
            if ($place === 0 || $place === $last || ($place % max(1, intdiv($last, 5)) === 0 && $last - $place > 3)) {
                $marks[] = [$x($place), $day->day];
            }
        }
        $this->line = $path;
        $this->area = "{$path}V{$this->zero}H{$x(0)}Z";
        $this->points = $points;
        $this->marks = $marks;
    }
}
