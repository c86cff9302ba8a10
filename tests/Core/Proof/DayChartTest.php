<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Proof\DayChart;
use Ajuste\Core\Proof\DayEnd;
use PHPUnit\Framework\TestCase;

/** Control account and customers day by day (R12). */
final class DayChartTest extends TestCase
{
    public function test_every_day_has_its_balances_and_steps_are_the_days_that_moved_the_difference(): void
    {
        $chart = DayChart::of('2026-10-30', '2026-11-02', 1000, 1000, ['2026-10-31' => [500, 400], '2026-11-01' => [-50, -50]]);
        self::assertSame(
            ['2026-10-30 1000 1000 0', '2026-10-31 1500 1400 100', '2026-11-01 1450 1350 0', '2026-11-02 1450 1350 0'],
            array_map(static fn (DayEnd $of): string => "{$of->day} {$of->control} {$of->customers} {$of->step}", $chart->days),
        );
        self::assertSame(['2026-10-31'], array_column($chart->steps(), 'day'));
        self::assertSame(100, $chart->days[3]->difference());
        self::assertSame('2026-10-31', $chart->apartSince());
    }

    public function test_apart_since_the_last_parting_only(): void
    {
        $moves = ['2026-10-02' => [5, 0], '2026-10-03' => [0, 5], '2026-10-05' => [0, -7], '2026-10-06' => [1, 0]];
        self::assertSame('2026-10-05', DayChart::of('2026-10-01', '2026-10-08', 0, 0, $moves)->apartSince());
        self::assertNull(DayChart::of('2026-10-01', '2026-10-03', 0, 0, $moves)->apartSince(), 'they met again');
        self::assertNull(DayChart::of('2026-10-01', '2026-10-01', 3, 0, [])->apartSince(), 'apart before the first day');
        self::assertNull(DayChart::of('2026-10-01', '2026-10-04', 3, 0, ['2026-10-03' => [1, 0]])->apartSince(), 'never together');
        self::assertNull(DayChart::of('2026-10-01', '2026-10-01', 0, 0, [])->apartSince());
    }
}
