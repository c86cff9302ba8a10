<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proof\AmountFinder;
use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\Finding;
use Ajuste\Core\Proof\PairCheck;
use Ajuste\Core\Proof\ProofLine;
use PHPUnit\Framework\TestCase;

final class AmountFinderTest extends TestCase
{
    private static function line(int $id, int $amount, Book $book = Book::Ledger): ProofLine
    {
        return new ProofLine($book, $id, '2026-10-10', $amount, "D{$id}", 'C1', "E{$id}", '', '');
    }

    /**
     * @param list<ProofLine> $lines
     * @param array<int, int> $tax
     * @return list<string>
     */
    private static function find(int $amount, array $lines, array $tax = []): array
    {
        return array_map(static fn (Finding $found): string => $found->by->value.' '.implode('+', self::ids($found->lines)), (new AmountFinder($amount, $lines, $tax))->findings);
    }

    /**
     * @param list<ProofLine> $lines
     * @return list<int>
     */
    private static function ids(array $lines): array
    {
        $ids = array_map(static fn (ProofLine $line): int => $line->id, $lines);
        sort($ids);

        return $ids;
    }

    public function test_every_way_in_which_an_amount_hides(): void
    {
        self::assertSame(['amount 1'], self::find(124_311, [self::line(1, -124_311), self::line(2, 50)]));
        self::assertSame(['tax 3'], self::find(4_200, [self::line(3, 24_200, Book::Subledger)], [3 => 4_200]));
        self::assertSame(['half 1'], self::find(36_600, [self::line(1, 18_300)]));
        // 5,412.00 for 4,512.00: the difference 900.00 is a multiple of nine (arithmetic).
        self::assertSame(['digits_exchanged 1'], self::find(90_000, [self::line(1, 541_200)]));
        // 1,210.00 posted as 121.00.
        self::assertSame(['point_shifted 1'], self::find(108_900, [self::line(1, 12_100)]));
        self::assertSame(['two 1+2'], self::find(7_000, [self::line(1, 3_001), self::line(2, 3_999)]));
        self::assertSame(['three 1+2+3'], self::find(7_001, [self::line(1, 3_101), self::line(2, 2_999), self::line(3, 901)]));
        // A set is of one side: a posting and an item do not make an amount together.
        self::assertSame([], self::find(7_000, [self::line(1, 3_001), self::line(2, 3_999, Book::Subledger)]));
        self::assertSame(['two 1+2'], self::find(998, [self::line(1, 3_001), self::line(2, -3_999)]));
    }

    public function test_lines_among_the_causes_come_first(): void
    {
        $found = (new AmountFinder(500, [self::line(1, 500), self::line(2, 500)], [], ['ledger 1' => true]))->findings;
        self::assertSame([[1, true], [2, false]], array_map(static fn (Finding $of): array => [$of->lines[0]->id, $of->suspect], $found));
    }

    /** The hits that chance gives: over many amounts that mean nothing the estimate and the count come to about the same. */
    public function test_the_estimate_of_chance_is_about_right(): void
    {
        mt_srand(9);
        $lines = array_map(static fn (int $id): ProofLine => self::line($id, mt_rand(1_000, 200_000)), range(1, 120));
        $hits = $expected = 0.0;
        for ($try = 0; $try < 60; $try++) {
            $finder = new AmountFinder(mt_rand(50_000, 300_000), $lines, []);
            $hits += count($finder->findings);
            $expected += $finder->expected();
        }
        self::assertGreaterThan(20, $hits);
        self::assertEqualsWithDelta(1.0, $hits / $expected, 0.25);
    }

    /** 900.00 is 9 × 1 × 100.00: about 18 in 100 figures have such digits there. */
    public function test_what_chance_makes_of_exchanged_digits(): void
    {
        mt_srand(5);
        $finder = new AmountFinder(90_000, array_map(static fn (int $id): ProofLine => self::line($id, mt_rand(100_000, 999_999)), range(1, 400)), []);
        self::assertEqualsWithDelta(72.0, $finder->chance['digits_exchanged'], 0.01);
        self::assertEqualsWithDelta(72.0, (float) $finder->count['digits_exchanged'], 25.0);
        self::assertSame(0.0, (new AmountFinder(91_800, [self::line(1, 541_200)], []))->chance['digits_exchanged']);
    }

    public function test_pair_check_of_two_columns_and_of_one_mixed(): void
    {
        $told = static fn (array $rows): array => array_map(static fn (array $of): string => $of[0].($of[1] === null ? '' : " {$of[1]}"), PairCheck::of($rows));
        self::assertSame(
            ['has its counterpart 0', 'has its counterpart 3', 'without a counterpart', 'has its counterpart 1', 'there twice 2'],
            $told([['A', 500, 500], ['B', 700, null], ['C', 20, null], ['B', null, 700], ['C', 20, null]]),
        );
        self::assertSame(['has its counterpart 1', 'has its counterpart 0', 'without a counterpart'], $told([['A', 500, null], ['A', -500, null], ['B', -500, null]]));
        $eur = Currency::of('EUR');
        self::assertSame([123_456, -123_456, -500, -1_200, 100_000, null, 50], array_map(static fn (string $cell): ?int => PairCheck::amount($cell, $eur), ['1.234,56', '(1,234.56)', '5,00-', '12.00 Cr', '1.000', '', '0,5']));
        $this->expectExceptionMessage('is not an amount');
        PairCheck::amount('soon', $eur);
    }
}
