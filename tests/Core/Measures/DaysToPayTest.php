<?php

declare(strict_types=1);

namespace Tests\Core\Measures;

use Ajuste\Core\Measures\DaysToPay;
use Ajuste\Core\Subledger\BalanceHistory;
use PHPUnit\Framework\TestCase;

final class DaysToPayTest extends TestCase
{
    public function test_days_late_are_weighted_by_amount(): void
    {
        $days = new DaysToPay();
        self::assertNull($days->late());
        $days->add('2026-10-10', '2026-10-20', 30_000);
        $days->add('2026-10-10', '2026-10-08', 10_000);
        self::assertSame(7, $days->late());
        $early = new DaysToPay();
        $early->add('2026-10-10', '2026-10-07', 500);
        self::assertSame(-3, $early->late());
    }

    public function test_the_balance_runs_from_day_to_day(): void
    {
        $history = new BalanceHistory('2026-01-01', '2026-12-31', 100, ['2026-03-01' => -150, '2026-02-01' => 20]);
        self::assertSame(['2026-02-01' => 120, '2026-03-01' => -30], $history->days);
        self::assertSame([120, -30], [$history->highest(), $history->lowest()]);
        self::assertSame(
            [0, 0],
            [
                (new BalanceHistory('2026-01-01', '2026-12-31', 0, []))->highest(),
                (new BalanceHistory('2026-01-01', '2026-12-31', 0, []))->lowest(),
            ],
        );
    }
}
