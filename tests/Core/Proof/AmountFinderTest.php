<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Proof\AmountFinder;
use Ajuste\Core\Proof\Book;
use Ajuste\Core\Proof\Finding;
use Ajuste\Core\Proof\PairCheck;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Proof\ProofNames;
use PHPUnit\Framework\TestCase;

final class AmountFinderTest extends TestCase
{
    private static function line(int $id, int $amount, Book $book = Book::Ledger): ProofLine
    {
        return new ProofLine($book, $id, '2026-10-10', $amount, new ProofNames("D{$id}", 'C1', "E{$id}", ''), '');
    }

    /**
     * @param list<ProofLine> $lines
     * @param array<int, int> $tax
     * @return list<string>
     */
    private static function find(int $amount, array $lines, array $tax = []): array
    {
        return array_map(
            static fn (Finding $found): string => $found->by->value.' '.implode('+', self::ids($found->lines)),
            (new AmountFinder($amount, $lines, $tax))->findings,
        );
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

    public function test_guesses_come_after_entries_the_unlikely_first_and_those_of_chance_are_told_apart(): void
    {
        mt_srand(11);
        $random = array_map(static fn (int $id): ProofLine => self::line($id, mt_rand(100, 90_000)), range(10, 200));
        $finder = new AmountFinder(
            45_000,
            [self::line(1, 45_000), self::line(2, 22_500), self::line(3, 20_000), self::line(4, 25_000), ...$random],
            [],
            ['ledger 3' => true, 'ledger 4' => true],
        );
        $likely = $finder->likely();
        self::assertSame('amount', $likely[0]->by->value);
        self::assertContains('half', array_map(static fn (Finding $of): string => $of->by->value, $likely));
        self::assertContains(true, array_map(static fn (Finding $of): bool => $of->suspect, $likely), 'a cause is never folded');
        $ranks = array_map(static fn (Finding $of): string => implode(' ', [
            $of->by->value === 'amount' ? 0 : 1, $of->suspect ? 0 : 1, sprintf('%09.3f', $finder->chance[$of->by->value]),
        ]), $finder->findings);
        $sorted = $ranks;
        sort($sorted);
        self::assertSame($sorted, $ranks);
        self::assertNotSame([], $finder->byChance());
        foreach ($finder->byChance() as $of) {
            self::assertFalse($of->suspect || $of->by->value === 'amount');
            $chance = $finder->chance[$of->by->value];
            self::assertLessThanOrEqual($chance + 2 * sqrt($chance), $finder->count[$of->by->value]);
        }
        self::assertCount(count($finder->findings), [...$likely, ...$finder->byChance()]);
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
        $finder = new AmountFinder(
            90_000,
            array_map(static fn (int $id): ProofLine => self::line($id, mt_rand(100_000, 999_999)), range(1, 400)),
            [],
        );
        self::assertEqualsWithDelta(72.0, $finder->chance['digits_exchanged'], 0.01);
        self::assertEqualsWithDelta(72.0, (float) $finder->count['digits_exchanged'], 25.0);
        self::assertSame(0.0, (new AmountFinder(91_800, [self::line(1, 541_200)], []))->chance['digits_exchanged']);
    }

    /** What is found, and what chance would give, worked out anew by trying every set and every near amount one by one. */
    public function test_it_agrees_with_trying_everything(): void
    {
        mt_srand(4);
        for ($try = 0; $try < 40; $try++) {
            $amount = [mt_rand(1, 8) * 9, mt_rand(1, 60), mt_rand(2_000, 9_000), mt_rand(1, 9) * 900, mt_rand(240_000, 339_999)][$try % 5];
            $most = [99, 100, 9_000, 12_100, 300_000][$try % 5];
            $lines = [];
            for ($id = 1; $id <= 14; $id++) {
                $size = mt_rand(0, 9) === 0 ? mt_rand(0, 1) * $amount : mt_rand(1, $most);
                $lines[] = self::line($id, mt_rand(0, 3) === 0 ? -$size : $size, mt_rand(0, 2) === 0 ? Book::Subledger : Book::Ledger);
            }
            $tax = [3 => $amount, 5 => -$amount, 7 => $amount + mt_rand(-60, 60), 9 => 0];
            $finder = new AmountFinder($amount, $lines, $tax);
            $found = array_map(
                static fn (Finding $found): string => trim(
                    "{$found->by->value} ".implode('+', self::ids($found->lines))." {$found->note}",
                ),
                $finder->findings,
            );
            [$expected, $chance] = self::everything($amount, $lines, $tax);
            sort($found);
            sort($expected);
            self::assertSame($expected, $found, "amount {$amount}");
            foreach ($chance as $by => $share) {
                self::assertEqualsWithDelta($share, $finder->chance[$by], 1e-9, "{$by} of {$amount}");
            }
            self::assertEqualsWithDelta(array_sum($chance) + $finder->chance['digits_exchanged'], $finder->expected(), 1e-9);
        }
    }

    /**
     * @param list<ProofLine> $lines
     * @param array<int, int> $tax
     * @return array{list<string>, array<string, float>}
     */
    private static function everything(int $amount, array $lines, array $tax): array
    {
        $near = $amount / 50;
        $near = (int) floor($near < 50 ? 50 : ($near > 5_000 ? 5_000 : $near));
        $found = [];
        $chance = ['amount' => 0.0, 'tax' => 0.0, 'half' => 0.0, 'point_shifted' => 0.0, 'two' => 0.0, 'three' => 0.0];
        $look = function (string $by, int $id, int $value, int $wanted, int $step, string $note) use (&$found, &$chance, $near): void {
            if ($value >= 1 && $value >= $wanted - $near && $value <= $wanted + $near) {
                $chance[$by] += $step / ($near + 1 + $near);
                $value === $wanted && ($found[] = trim("{$by} {$id} {$note}"));
            }
        };
        foreach ($lines as $line) {
            $size = (int) abs($line->amount);
            $look('amount', $line->id, $size, $amount, 1, '');
            if ($line->book === Book::Subledger && array_key_exists($line->id, $tax)) {
                $look('tax', $line->id, (int) abs($tax[$line->id]), $amount, 1, '');
            }
            $amount % 2 === 1 || $look('half', $line->id, $size, (int) ($amount / 2), 1, '');
            if ($amount % 9 === 0) {
                $figures = str_split((string) $size);
                for ($at = 1; $at < count($figures); $at++) {
                    $changed = $figures;
                    [$changed[$at - 1], $changed[$at]] = [$figures[$at], $figures[$at - 1]];
                    $other = (int) implode('', $changed);
                    abs($other - $size) === $amount && ($found[] = "digits_exchanged {$line->id} {$other}");
                }
                foreach ([10.0, 100.0, 0.1, 0.01] as $by) {
                    $other = (int) round($size * $by);
                    if ($by > 1 || (int) round($other / $by) === $size) {
                        $look('point_shifted', $line->id, (int) abs($other - $size), $amount, 9, (string) $other);
                    }
                }
            }
        }
        foreach (Book::cases() as $book) {
            $some = array_values(array_filter($lines, static fn (ProofLine $of): bool => $of->book === $book && $of->amount !== 0));
            foreach (self::sets(count($some)) as $set) {
                $sum = array_sum(array_map(static fn (int $at): int => $some[$at]->amount, $set));
                $by = count($set) === 2 ? 'two' : 'three';
                foreach ([$amount, -$amount] as $target) {
                    $chance[$by] += abs($sum - $target) <= $near ? 1 / (2 * $near + 1) : 0;
                    if ($sum === $target) {
                        $found[] = "{$by} ".implode('+', self::ids(array_map(static fn (int $at): ProofLine => $some[$at], $set)));
                    }
                }
            }
        }

        return [$found, $chance];
    }

    /** @return list<list<int>> all sets of two and of three places */
    private static function sets(int $count): array
    {
        $sets = [];
        for ($one = 0; $one < $count; $one++) {
            for ($two = 0; $two < $one; $two++) {
                $sets[] = [$two, $one];
                for ($three = 0; $three < $two; $three++) {
                    $sets[] = [$three, $two, $one];
                }
            }
        }

        return $sets;
    }

    public function test_of_each_test_the_first_hundred_are_kept_and_all_among_the_causes(): void
    {
        $lines = array_map(static fn (int $id): ProofLine => self::line($id, 500), range(1, 130));
        $finder = new AmountFinder(500, $lines, [], ['ledger 1' => true, 'ledger 3' => true]);
        self::assertSame(130, $finder->count['amount']);
        self::assertCount(102, $finder->findings, 'the lines are looked at from the last, so that both suspects come after the hundredth');
        $pairs = new AmountFinder(1_000, array_slice($lines, 0, 15), []);
        self::assertSame(['half' => 15, 'two' => 105], $pairs->count);
        self::assertCount(115, $pairs->findings);
    }

    public function test_what_digits_make_by_chance(): void
    {
        $lines = [self::line(1, 12), self::line(2, -123), self::line(3, 4), self::line(4, 1_234)];
        $chance = static fn (int $amount): float => (new AmountFinder($amount, $lines, []))->chance['digits_exchanged'];
        self::assertEqualsWithDelta((3 * 18) / 100, $chance(9), 1e-9, 'digits 1 apart in the last two places: all of two figures and more');
        self::assertEqualsWithDelta((3 * 2) / 100, $chance(81), 1e-9);
        self::assertEqualsWithDelta((2 * 18) / 100, $chance(90), 1e-9);
        self::assertEqualsWithDelta((1 * 4) / 100, $chance(7_200), 1e-9);
        self::assertSame([0.0, 0.0, 0.0], [$chance(99), $chance(10), $chance(8)]);
    }

    public function test_pair_check_of_two_columns_and_of_one_mixed(): void
    {
        $told = static fn (array $rows): array => array_map(
            static fn (array $of): string => $of[0].($of[1] === null ? '' : " {$of[1]}"),
            PairCheck::of($rows),
        );
        self::assertSame(
            ['has its counterpart 0', 'has its counterpart 3', 'without a counterpart', 'has its counterpart 1', 'there twice 2'],
            $told([['A', 500, 500], ['B', 700, null], ['C', 20, null], ['B', null, 700], ['C', 20, null]]),
        );
        self::assertSame(
            ['has its counterpart 1', 'has its counterpart 0', 'without a counterpart'],
            $told([['A', 500, null], ['A', -500, null], ['B', -500, null]]),
        );
        $eur = Currency::of('EUR');
        self::assertSame(
            [123_456, -123_456, -500, -1_200, 100_000, null, 50],
            array_map(static fn (string $cell): ?int => PairCheck::amount($cell, $eur), [
                '1.234,56',
                '(1,234.56)',
                '5,00-',
                '12.00 Cr',
                '1.000',
                '',
                '0,5',
            ]),
        );
        $this->expectExceptionMessage('is not an amount');
        PairCheck::amount('soon', $eur);
    }
}
