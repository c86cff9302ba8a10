<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Bank;

use Ajuste\Core\Exchange\Bank\BankLine;
use Ajuste\Core\Exchange\Bank\RunningBalance;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\TestCase;

/** A bank's list with the balance beside each line; it may run either way. */
final class RunningBalanceTest extends TestCase
{
    /** @return array{BankLine, Money} */
    private static function line(string $day, string $amount, string $balance): array
    {
        return [new BankLine($day, $day, Money::parse($amount, 'EUR')), Money::parse($balance, 'EUR')];
    }

    /**
     * @param non-empty-list<array{BankLine, Money}> $lines
     * @return list<string>
     */
    private static function ordered(array $lines): array
    {
        return array_map(static fn (array $of): string => $of[0]->amount->decimal(), RunningBalance::inOrder($lines));
    }

    public function test_the_balances_say_which_way_the_list_runs(): void
    {
        $up = [
            self::line('2026-10-01', '10.00', '110.00'),
            self::line('2026-10-02', '-5.00', '105.00'),
            self::line('2026-10-02', '1.00', '106.00'),
        ];
        self::assertSame(['10.00', '-5.00', '1.00'], self::ordered($up));
        self::assertSame(['10.00', '-5.00', '1.00'], self::ordered(array_reverse($up)));
        self::assertSame(['10.00'], self::ordered([$up[0]]));
        $oneDay = [self::line('2026-10-02', '1.00', '106.00'), self::line('2026-10-02', '-5.00', '105.00')];
        self::assertSame(['-5.00', '1.00'], self::ordered($oneDay), 'within a day the dates do not say');
    }

    public function test_on_one_day_a_list_that_adds_up_both_ways_stays_as_it_is(): void
    {
        $both = [self::line('2026-10-02', '5.00', '105.00'), self::line('2026-10-02', '-5.00', '100.00')];
        self::assertSame(['5.00', '-5.00'], self::ordered($both));
    }

    public function test_a_gap_is_named_with_its_three_figures(): void
    {
        $gap = [
            self::line('2026-10-01', '10.00', '110.00'),
            self::line('2026-10-02', '-5.00', '105.00'),
            self::line('2026-10-03', '1.00', '107.00'),
        ];
        foreach ([$gap, array_reverse($gap)] as $list) {
            try {
                RunningBalance::inOrder($list);
                self::fail('It adds up.');
            } catch (Refusal $refusal) {
                self::assertStringContainsString(
                    'on 2026-10-03: balance 105.00, entry 1.00, next balance 107.00.',
                    $refusal->getMessage(),
                );
            }
        }
    }
}
