<?php

declare(strict_types=1);

namespace Tests\Core\Allowance;

use Ajuste\Core\Allowance\RolledColumn;
use Ajuste\Core\Allowance\RollRates;
use Ajuste\Core\Money\Money;
use PHPUnit\Framework\TestCase;

/** The roll-rate method, as handbooks on credit risk describe it (common practice, from memory). */
final class RollRatesTest extends TestCase
{
    /**
     * @param list<array<int, array{int, int}>> $ends
     * @return list<string>
     */
    private static function said(array $ends, int $lost): array
    {
        $rates = RollRates::of(['not_due', '1-30', 'over_30'], $ends, Money::ofMinor($lost, 'EUR'));

        return array_map(
            static fn (RolledColumn $of): string => implode(' ', [
                $of->label, $of->documents, $of->stood->minor, $of->stayed->minor, $of->rolled ?? '-', $of->loss ?? '-',
            ]),
            $rates->columns,
        );
    }

    public function test_what_is_lost_of_a_column_is_what_rolls_on_and_is_written_off(): void
    {
        $ends = [
            [1 => [0, 600_00], 2 => [0, 400_00], 3 => [1, 200_00], 4 => [2, 100_00]],
            [1 => [1, 300_00], 3 => [2, 100_00], 4 => [2, 80_00]],
            [1 => [2, 150_00], 3 => [2, 100_00]],
        ];
        // 300 of 1,000 rolls on, and 100 + 150 of 200 + 300; of 100 + 100 + 80 that stood last 80 + 100 stayed, and of the 100 that left
        // it 20 was written off: 20 %, half of that, three tenths of that.
        self::assertSame([
            'not_due 2 100000 30000 30.0000 3.0000', '1-30 2 50000 25000 50.0000 10.0000', 'over_30 3 28000 18000 64.2857 20.0000',
        ], self::said($ends, 20_00));
    }

    public function test_never_more_than_the_whole_and_nothing_where_the_books_do_not_say(): void
    {
        $grown = [[1 => [0, 100]], [1 => [1, 300]]];
        self::assertSame(['not_due 1 100 100 100.0000 -', '1-30 0 0 0 - -', 'over_30 0 0 0 - -'], self::said($grown, 0));
        $left = [[1 => [2, 100], 2 => [1, 50], 3 => [0, 10]], [2 => [2, 50]]];
        self::assertSame(
            ['not_due 1 10 0 0.0000 0.0000', '1-30 1 50 50 100.0000 100.0000', 'over_30 1 100 0 0.0000 100.0000'],
            self::said($left, 900),
        );
        self::assertSame(['not_due 0 0 0 - -', '1-30 0 0 0 - -', 'over_30 0 0 0 - -'], self::said([], 5));
        self::assertSame([0, 0, 1], [
            RollRates::of(['a'], [], Money::ofMinor(0, 'EUR'))->months,
            RollRates::of(['a'], [[]], Money::ofMinor(0, 'EUR'))->months,
            RollRates::of(['a'], [[], []], Money::ofMinor(0, 'EUR'))->months,
        ]);
    }
}
