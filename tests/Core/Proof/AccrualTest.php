<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use Ajuste\Core\Proof\CauseLine;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** An accrual and its mirror are one pair with the posting that comes late, on every day (R12); and what is corrected twice is said. */
final class AccrualTest extends TestCase
{
    /** @return list<string> */
    private static function causes(Lines $lines, string $asOf): array
    {
        return array_map(
            static fn (CauseLine $line): string => "{$line->cause->value} {$line->document()} {$line->amount}",
            $lines->proof($asOf)->lines,
        );
    }

    private static function accrued(int $amount, string $document = 'N'): Lines
    {
        return (new Lines)
            ->posting($amount, $document, 'AJ-1', '2026-10-31', own: true, corrects: true)
            ->posting(-$amount, $document, 'AJ-2', '2026-11-01', own: true, reverses: 'AJ-1', corrects: true);
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function days(): iterable
    {
        yield 'before the accrual' => ['2026-10-30', ['cut_off N -242']];
        yield 'accrued' => ['2026-10-31', []];
        yield 'taken back, and the posting is not there yet' => ['2026-11-02', ['cut_off N -242']];
        yield 'posted' => ['2026-11-03', []];
    }

    /** @param  list<string>  $causes */
    #[DataProvider('days')]
    public function test_the_three_together_are_compared_with_the_item(string $asOf, array $causes): void
    {
        $lines = self::accrued(-242)->item(-242, 'N', date: '2026-10-30')->posting(-242, 'N', 'E9', '2026-11-03');
        self::assertSame($causes, self::causes($lines, $asOf));
    }

    public function test_a_late_posting_without_the_document_is_found_by_what_is_missing(): void
    {
        $lines = self::accrued(-242)->item(-242, 'N', date: '2026-10-30')->posting(-242, '', 'E9', '2026-11-03');
        foreach (['2026-10-31', '2026-11-03'] as $day) {
            self::assertSame([], self::causes($lines, $day), $day);
        }
        $two = self::accrued(-242)->item(-242, 'N', date: '2026-10-30')
            ->posting(-242, '', 'E8', '2026-11-03')->posting(-242, '', 'E9', '2026-11-04');
        self::assertCount(3, self::causes($two, '2026-11-30'), 'of two nobody can tell which');
        $other = self::accrued(-242)->item(-242, 'N', date: '2026-10-30')->item(-242, 'M', date: '2026-10-31')
            ->posting(-242, '', 'E9', '2026-11-03');
        self::assertSame(['not_in_ledger M -242'], self::causes($other, '2026-10-31'), 'what is accrued has the first claim');
    }

    public function test_where_the_posting_never_comes_the_document_is_not_in_the_ledger_again(): void
    {
        $lines = self::accrued(-242)->item(-242, 'N', date: '2026-10-30');
        self::assertSame([], self::causes($lines, '2026-10-31'));
        self::assertSame(['not_in_ledger N -242'], self::causes($lines, '2026-11-30'));
    }

    public function test_what_the_ledger_has_early_is_taken_out_and_comes_back(): void
    {
        $lines = self::accrued(-500)->posting(500, 'N', 'E1', '2026-10-29')->item(500, 'N', date: '2026-11-02');
        self::assertSame([], self::causes($lines, '2026-10-31'));
        self::assertSame([], self::causes($lines, '2026-11-02'));
        $never = self::accrued(-500)->posting(500, 'N', 'E1', '2026-10-29');
        self::assertSame([], self::causes($never, '2026-10-31'));
        self::assertSame(['not_in_subledger N -500'], self::causes($never, '2026-11-30'));
    }

    /** @return iterable<string, array{Lines, list<string>}> */
    public static function mendedTwice(): iterable
    {
        $correction = static fn (int $amount): Lines => (new Lines)
            ->posting($amount, 'D', 'AJ-1', '2026-10-31', own: true, corrects: true);
        yield 'the amount was wrong' => [
            $correction(-900)->posting(2334, 'D', 'E1')->item(2334, 'D', 'E1'),
            ['correction_not_needed D 900'],
        ];
        yield 'it was not posted' => [$correction(121)->posting(121, 'D', 'E1')->item(121, 'D'), ['correction_not_needed D -121']];
        yield 'it was posted twice' => [
            $correction(50)->posting(-50, 'D', 'E1')->posting(-50, 'D', 'E2')->posting(50, 'D', 'E3')->item(-50, 'D', 'E1'),
            ['correction_not_needed D -50'],
        ];
        yield 'still wrong' => [$correction(-900)->posting(3234, 'D', 'E1')->item(2334, 'D', 'E1'), []];
        yield 'brought forward' => [
            (new Lines)->posting(100, '', 'O1', '2025-11-01', source: 'opening')->item(100, 'O', date: '2025-11-01', kind: 'opening')
                ->posting(7, '', 'AJ-1', '2026-10-31', source: 'opening', own: true, corrects: true),
            ['correction_not_needed  -7'],
        ];
    }

    /** @param  list<string>  $causes */
    #[DataProvider('mendedTwice')]
    public function test_a_correction_that_the_source_makes_needless_is_named_as_that(Lines $lines, array $causes): void
    {
        self::assertSame($causes, self::causes($lines, '2026-10-31'));
    }
}
