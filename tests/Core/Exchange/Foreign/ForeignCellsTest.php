<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\DateOrder;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Foreign\ForeignAmount;
use Ajuste\Core\Exchange\Foreign\ForeignDate;
use Ajuste\Core\Exchange\Foreign\ForeignQuestions;
use Ajuste\Core\Exchange\Foreign\KindWords;
use Ajuste\Core\Exchange\Foreign\PrintLine;
use Ajuste\Core\Exchange\Habit;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Exchange\MappingGuess;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Subledger\Side;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ForeignCellsTest extends TestCase
{
    /** @return iterable<string, array{string, string, ?string, bool, ?Side, string}> text, mark; plain, negative, side, currency */
    public static function amounts(): iterable
    {
        yield 'as it is' => ['1234.5', '.', '1234.5', false, null, ''];
        yield 'grouped by commas' => ['1,234,567.89', '.', '1234567.89', false, null, ''];
        yield 'grouped by points' => ['1.234,56', ',', '1234.56', false, null, ''];
        yield 'grouped by blanks' => ["1\u{a0}234,56", ',', '1234.56', false, null, ''];
        yield 'grouped by apostrophes' => ['1’234.56', '.', '1234.56', false, null, ''];
        yield 'grouped the Indian way' => ['12,34,567.00', '.', '1234567.00', false, null, ''];
        yield 'brackets' => ['(1,234.56)', '.', '1234.56', true, null, ''];
        yield 'minus behind' => ['1.234,56-', ',', '1234.56', true, null, ''];
        yield 'a true minus' => ['−5,00', ',', '5.00', true, null, ''];
        yield 'a plus' => ['+5.00', '.', '5.00', false, null, ''];
        yield 'symbol and minus' => ['-€ 5,00', ',', '5.00', true, null, 'EUR'];
        yield 'symbol behind' => ['5,00 €', ',', '5.00', false, null, 'EUR'];
        yield 'code before' => ['GBP 5.00', '.', '5.00', false, null, 'GBP'];
        yield 'code behind, small' => ['5.00 gbp', '.', '5.00', false, null, 'GBP'];
        yield 'bracket and symbol' => ['(£1,000.00)', '.', '1000.00', true, null, 'GBP'];
        yield 'credit' => ['5.00 CR', '.', '5.00', false, Side::Credit, ''];
        yield 'debit without a blank' => ['5.00DR', '.', '5.00', false, Side::Debit, ''];
        yield 'Haben' => ['5,00 H', ',', '5.00', false, Side::Credit, ''];
        yield 'a mark where none belongs' => ['12.34,56', ',', null, false, null, ''];
        yield 'groups of two' => ['1,23,45', '.', null, false, null, ''];
    }

    #[DataProvider('amounts')]
    public function test_amounts(string $text, string $mark, ?string $plain, bool $negative, ?Side $side, string $currency): void
    {
        $amount = ForeignAmount::of($text);
        self::assertNotNull($amount);
        self::assertSame(
            [$plain, $negative, $side, $currency],
            [$amount->plain($mark), $amount->negative, $amount->side, $amount->currency],
        );
    }

    public function test_what_is_no_amount(): void
    {
        foreach (['', 'A1', 'F26001', '1.2.', 'n/a', '--5', '5 pcs', '1e5', '€'] as $text) {
            self::assertNull(ForeignAmount::of($text), $text);
        }
    }

    /** @return iterable<string, array{string, int, string}> text, decimals of the currency; the mark before decimals */
    public static function marks(): iterable
    {
        yield 'two behind' => ['14,50', 2, ','];
        yield 'both marks' => ['1.234,567', 2, ','];
        yield 'one twice' => ['1.234.567', 2, ','];
        yield 'more than three before' => ['12345.678', 2, '.'];
        yield 'a leading nil' => ['0.500', 2, '.'];
        yield 'three behind can be either' => ['14.500', 2, '?'];
        yield 'three behind of a dinar' => ['227,409', 3, ','];
        yield 'three behind of a yen' => ['227,409', 0, '.'];
        yield 'none' => ['750', 2, ''];
    }

    #[DataProvider('marks')]
    public function test_which_mark_stands_before_decimals(string $text, int $decimals, string $mark): void
    {
        self::assertSame($mark, ForeignAmount::of($text)?->shows($decimals));
    }

    /** @return iterable<array{string, DateOrder, ?string}> */
    public static function days(): iterable
    {
        [$ymd, $dmy, $mdy] = DateOrder::cases();
        yield ['2026-10-31', $ymd, '2026-10-31'];
        yield ['31/10/2026', $dmy, '2026-10-31'];
        yield ['10/31/2026', $mdy, '2026-10-31'];
        yield ['13/10/26', $ymd, null];
        yield ['13/10/26', $dmy, '2026-10-13'];
        yield ['31-Oct-2026', $ymd, '2026-10-31'];
        yield ['31. Oktober 2026', $dmy, '2026-10-31'];
        yield ['Oct 31, 2026', $mdy, '2026-10-31'];
        yield ['31 de octubre de 2026', $dmy, '2026-10-31'];
        yield ['1er août 2026', $dmy, null];
        yield ['1 août 26', $dmy, '2026-08-01'];
        yield ['2026 März 1', $ymd, '2026-03-01'];
        yield ['46326', $ymd, '2026-10-31'];
        yield ['46326.75', $dmy, '2026-10-31'];
        yield ['30000', $ymd, '1982-02-18'];
        yield ['60000', $ymd, '2064-04-08'];
        yield ['29999', $ymd, null];
        yield ['60001', $ymd, null];
        yield ['30 Feb 2026', $dmy, null];
        yield ['soon', $ymd, null];
    }

    #[DataProvider('days')]
    public function test_days(string $text, DateOrder $order, ?string $iso): void
    {
        self::assertSame($iso, ForeignDate::iso($text, $order));
    }

    public function test_kinds_in_words(): void
    {
        $said = array_map(
            static fn (string $word): string => KindWords::kind($word)->value ?? '?',
            [
                'Rechnung', 'FACTURA', 'Nota di credito', 'Avoir', 'INV', 'Zahlungseingang', 'Cobro', 'credit_note', 'Mahngebühr',
                'Wheelbarrow',
            ],
        );
        self::assertSame(
            ['invoice', 'invoice', 'credit_note', 'credit_note', 'invoice', 'receipt', 'receipt', 'credit_note', 'charge', '?'],
            $said,
        );
    }

    public function test_lines_that_are_only_printed(): void
    {
        $headings = ['Invoice', 'Date', 'Amount'];
        $is = static fn (string ...$cells): bool => PrintLine::is(array_values($cells), $headings, [0, 1]);
        self::assertSame(
            [true, true, true, true, false, false],
            [
                $is('', '', ''), $is('Total', '', '5.00'), $is('Invoice', 'Date', 'Amount'), $is('', '', '99.00'),
                $is('TOTAL-7', '2026-10-01', '5.00'), $is('F1', '', '5.00'),
            ],
        );
    }

    /** @param  list<string>  $cells */
    private static function item(array $cells, string ...$headings): string
    {
        $mapping = MappingGuess::of([array_values($headings), $cells, $cells], null);
        self::assertNotNull($mapping);
        try {
            $row = $mapping->row($cells);
        } catch (RowFault $fault) {
            return "{$fault->field} {$fault->value}";
        }

        return implode(' ', array_filter([$row['kind'], $row['side'], $row['amount'], $row['currency'], $row['customer']]));
    }

    public function test_kind_and_side_follow_from_each_other(): void
    {
        $of = static fn (string $type, string $amount): string => self::item(
            ['F1', '10001', '2026-10-01', $type, $amount], 'Invoice No', 'Customer No', 'Date', 'Type', 'Amount',
        );
        self::assertSame('invoice 5.00 10001', $of('Invoice', '5.00'));
        self::assertSame('credit_note 5.00 10001', $of('Invoice', '-5.00'));
        self::assertSame('receipt 5.00 10001', $of('Payment', '-5.00'));
        self::assertSame('receipt 5.00 10001', $of('Payment', '5.00'));
        self::assertSame('refund 5.00 10001', $of('Payment', '5.00 DR'));
        self::assertSame('adjustment debit 5.00 10001', $of('Adjustment', '5.00'));
        self::assertSame('adjustment credit 5.00 10001', $of('Adjustment', '(5.00)'));
        self::assertSame('credit_note 5.00 EUR 10001', self::item(
            ['F1', '10001', '2026-10-01', '-5.00 €'], 'Invoice No', 'Customer No', 'Date', 'Amount',
        ));
        self::assertSame('invoice 5.00 Shop A', self::item(['F1', 'Shop A', '2026-10-01', '5.00'], 'Invoice No', 'Name', 'Date', 'Amount'));
    }

    /** Lists that were once taken for something else, or wrongly. */
    public function test_what_a_list_leaves_open_is_asked_and_a_list_is_not_taken_for_another(): void
    {
        $kind = static fn (array ...$lines): ?FileKind => MappingGuess::of(array_values($lines), null)?->kind;
        self::assertSame(FileKind::Ledger, $kind(['Account', 'Name', 'Date', 'Journal', 'Debit', 'Credit'],
            ['1200', 'Bank', '01/10/2026', 'J1', '5.00', ''], ['4000', 'Sales', '13/10/2026', 'J1', '', '5.00']));
        self::assertSame(FileKind::Items, $kind(['Customer', 'Name', 'Invoice', 'Date', 'Due', 'Amount'],
            ['10001', 'Shop', 'F1', '01/10/2026', '31/10/2026', '5.00']));
        self::assertNull($kind(['Colour', 'Size', 'Weight'], ['red', 'L', '5.00']));
        $open = static function (array ...$lines): array {
            $lines = array_values($lines);
            $mapping = MappingGuess::of($lines, null);
            self::assertNotNull($mapping);
            self::assertSame(Habit::Foreign, $mapping->habit);

            return ForeignQuestions::of($mapping, $lines);
        };
        $head = ['Invoice No', 'Customer No', 'Date', 'Amount'];
        self::assertSame(
            ['The dates can be read as day and month or as month and day.'],
            $open($head, ['F1', '10001', '03/04/2026', '5.00']),
        );
        self::assertSame(
            ['The amounts can be read with a mark before decimals or between thousands.'],
            $open($head, ['F1', '10001', '2026-10-31', '14.500'], ['F2', '10001', '2026-10-31', '750']),
        );
        self::assertSame([], $open([...$head, 'Currency'], ['F1', '10001', '2026-10-31', '227,409', 'TND']));
        self::assertSame(
            ['There are two columns “Amount”.'],
            $open([...$head, 'Amount'], ['F1', '10001', '2026-10-31', '5.00', '4.00']),
        );
        self::assertSame([], $open([...$head, 'Amount'], ['F1', '10001', '2026-10-31', '5.00', '5.00']));
    }

    public function test_what_is_settled_of_an_open_list_is_passed_over_and_a_mapping_keeps_its_habit(): void
    {
        $headings = ['Invoice No', 'Customer No', 'Date', 'Amount', 'Outstanding'];
        $mapping = MappingGuess::of([$headings, ['F1', '10001', '2026-10-31', '5.00', '2.00']], null);
        self::assertNotNull($mapping);
        $kept = Mapping::fromArray($mapping->toArray());
        self::assertEquals($mapping, $kept);
        self::assertSame('2.00', $kept->row(['F1', '10001', '2026-10-31', '5.00', '2.00'])['amount']);
        self::assertSame('settled', $kept->skips(['F1', '10001', '2026-10-31', '5.00', '0.00'], $headings));
        self::assertSame('settled', $kept->skips(['F1', '10001', '2026-10-31', '5.00', ''], $headings));
        self::assertSame('', $kept->skips(['F1', '10001', '2026-10-31', '5.00', '2.00'], $headings));
    }
}
