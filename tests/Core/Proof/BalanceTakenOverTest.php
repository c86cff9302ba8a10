<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Proof\BalanceTakenOver;
use Ajuste\Core\Proof\CauseLine;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A balance without ledger lines: a line for each item as it stands, and one sum for what it has beside them. */
final class BalanceTakenOverTest extends TestCase
{
    /** @return iterable<string, array{int, int}> balance, and what is brought forward beside the items */
    public static function balances(): iterable
    {
        yield 'that the items come to' => [100_00, 0];
        yield 'with more than they come to' => [110_50, 10_50];
        yield 'with less' => [99_99, -1];
        yield 'in credit' => [-5_00, -105_00];
    }

    #[DataProvider('balances')]
    public function test_items_are_taken_as_they_stand_and_the_rest_is_one_sum(int $balance, int $rest): void
    {
        $lines = (new Lines)->item(120_00, 'I1', date: '2026-09-01')->item(-20_00, 'R1', date: '2026-09-20');
        $taken = BalanceTakenOver::of($lines->proof('2026-10-31')->lines, $balance);
        $said = array_map(static fn (CauseLine $of): string => "{$of->document()} {$of->date()} {$of->amount}", $taken->items);
        sort($said);
        self::assertSame(['I1 2026-09-01 12000', 'R1 2026-09-20 -2000'], $said);
        self::assertSame($rest, $taken->rest);
        self::assertSame($balance, $taken->rest + array_sum(array_map(static fn (CauseLine $of): int => $of->amount, $taken->items)));
    }

    public function test_items_of_a_later_day_are_no_part_of_it(): void
    {
        $lines = (new Lines)->item(120_00, 'I1', date: '2026-09-01')->item(70_00, 'I2', date: '2026-11-02');
        $taken = BalanceTakenOver::of($lines->proof('2026-10-31')->lines, 120_00);
        self::assertCount(1, $taken->items);
        self::assertSame(0, $taken->rest);
    }

    public function test_without_items_the_whole_balance_is_brought_forward(): void
    {
        $taken = BalanceTakenOver::of([], 42_00);
        self::assertSame([[], 42_00], [$taken->items, $taken->rest]);
    }
}
