<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proof\PairCheck;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\TestCase;

/** Two columns side by side: what has its counterpart, and amounts as sheets have them. */
final class PairCheckTest extends TestCase
{
    public function test_counterparts_pair_one_against_one_and_the_rest_is_alone_or_there_twice(): void
    {
        $rows = [['A', 100, null], ['A', null, 100], ['A', 100, null], ['A', 100, null], ['B', null, 100], ['C', 0, null], ['C', 0, null]];
        self::assertSame(
            [
                [PairCheck::PAIRED, 1],
                [PairCheck::PAIRED, 0],
                [PairCheck::TWICE, 0],
                [PairCheck::TWICE, 0],
                [PairCheck::ALONE, null],
                [PairCheck::ALONE, null],
                [PairCheck::TWICE, 5],
            ],
            PairCheck::of($rows),
        );
    }

    public function test_both_amounts_in_one_row_are_their_own_counterparts(): void
    {
        self::assertSame(
            [[PairCheck::PAIRED, 0], [PairCheck::ALONE, null], [PairCheck::ALONE, null]],
            PairCheck::of([['A', 100, 100], ['A', 100, 90], ['A', 0, 0]]),
        );
    }

    public function test_amounts_as_sheets_have_them(): void
    {
        $read = static fn (string $cell, string $currency = 'EUR'): ?int => PairCheck::amount($cell, Currency::of($currency));
        self::assertSame([null, null], [$read(''), $read(' - ')]);
        self::assertSame(
            [123_456, 123_456, 123_450, -500, -500, -500, -500, 500, 123_400, 50],
            [
                $read('1,234.56'),
                $read("1.234,56\u{a0}"),
                $read("1'234.5"),
                $read('(5.00)'),
                $read('5.00-'),
                $read('−5'),
                $read('5.00 Cr'),
                $read('5.00 Dr'),
                $read('1.234'),
                $read('.50'),
            ],
        );
        self::assertSame([1234, 1_234_500], [$read('1.234', 'KWD'), $read('1.234,500', 'KWD')]);
        $this->expectException(Refusal::class);
        $read('n/a');
    }
}
