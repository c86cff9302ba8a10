<?php

declare(strict_types=1);

namespace Tests\Core\Measures;

use Ajuste\Core\Measures\DaysToPay;
use Ajuste\Core\Measures\Measure;
use Ajuste\Core\Measures\MeasureKind;
use Ajuste\Core\Measures\Measures;
use Ajuste\Core\Measures\MonthOfSales;
use Ajuste\Core\Money\Money;
use PHPUnit\Framework\TestCase;

/** R15; the forms are common practice (days sales outstanding, its count-back form, collection effectiveness index). */
final class MeasuresTest extends TestCase
{
    private static function money(int $minor): Money
    {
        return Money::ofMinor($minor, 'EUR');
    }

    /**
     * @param list<array{string, int, int}> $months
     * @return array<string, Measure>
     */
    private static function of(int $opening, int $closing, int $current, array $months, ?DaysToPay $paid = null): array
    {
        $sales = array_map(static fn (array $of): MonthOfSales => new MonthOfSales($of[0], $of[1], self::money($of[2])), $months);
        assert($sales !== []);
        $found = [];
        $measures = new Measures(self::money($opening), self::money($closing), self::money($current), $sales, $paid ?? new DaysToPay);
        foreach ($measures->all() as $of) {
            $found[$of->kind->value] = $of;
            self::assertNotSame('', $of->kind->formula().$of->kind->words());
        }

        return $found;
    }

    public function test_the_measures_of_a_month(): void
    {
        $paid = new DaysToPay;
        $paid->add('2026-10-01', '2026-10-11', 30_000);
        $paid->add('2026-10-01', '2026-09-30', 10_000);
        $of = self::of(80_000, 90_000, 45_000, [['2026-10', 31, 60_000], ['2026-09', 30, 50_000], ['2026-08', 31, 10_000]], $paid);
        self::assertSame(['46.5', '49.0', '23.3', '7.3', '52.6'], array_map(
            static fn (MeasureKind $kind): string => (string) $of[$kind->value]->value, MeasureKind::cases(),
        ), '90 ÷ 60 × 31; 31 + 30 ÷ 50 × 30; 45 ÷ 60 × 31 = 23.25; 290 ÷ 40 = 7.25; 50 ÷ 95 × 100 = 52.63');
        self::assertSame(['balance' => '900.00', 'sales' => '600.00', 'days' => '31'], $of['dso']->figures);
        self::assertSame(['balance' => '900.00', 'sales 2026-10' => '600.00', 'sales 2026-09' => '500.00'], $of['dso_count_back']->figures);
        self::assertSame(['paid' => '400.00'], $of['average_days_late']->figures);
        self::assertSame('450.00', $of['collection_effectiveness']->figures['closing_current']);
        self::assertSame('450.00', $of['best_possible_dso']->figures['not_due']);
    }

    public function test_a_month_without_sales_counts_whole_and_nothing_to_divide_by_is_said(): void
    {
        $of = self::of(0, 10_000, 0, [['2026-10', 31, 0], ['2026-09', 30, 20_000]]);
        self::assertNull($of['dso']->value);
        self::assertSame('46.0', (string) $of['dso_count_back']->value, '31 and the half of 30');
        self::assertNull($of['average_days_late']->value);
        self::assertNull($of['collection_effectiveness']->value);
        self::assertSame('0.0', (string) self::of(5_000, 0, 0, [['2026-10', 31, 10_000]])['dso_count_back']->value);
        self::assertSame('61.0', (string) self::of(0, 90_000, 0, [['2026-10', 31, 100], ['2026-09', 30, 100]])['dso_count_back']->value);
    }

    public function test_days_to_pay_are_weighted_by_amount_and_early_ones_are_below_zero(): void
    {
        $days = new DaysToPay;
        $days->add('2026-10-10', '2026-10-07', 50);
        $days->add('2026-10-10', '2026-10-08', 50);
        self::assertSame('-2.5', (string) $days->average());
        self::assertSame(-3, $days->late());
    }
}
