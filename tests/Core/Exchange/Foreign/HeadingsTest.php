<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\DateOrder;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Foreign\Concept;
use Ajuste\Core\Exchange\Foreign\ForeignGuess;
use Ajuste\Core\Exchange\Foreign\ForeignQuestions;
use Ajuste\Core\Exchange\Foreign\KindWords;
use Ajuste\Core\Exchange\Foreign\TradeWords;
use Ajuste\Core\Exchange\Habit;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Exchange\MappingGuess;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What headings say by their words, and where they leave something open. Words of the trade: common practice, from memory. */
final class HeadingsTest extends TestCase
{
    /** @return iterable<string, array{string, list<Concept>}> */
    public static function headings(): iterable
    {
        yield 'short forms' => ['Rechn.-Nr.', [Concept::Document, Concept::Number]];
        yield 'written together' => ['Rechnungsnummer', [Concept::Document, Concept::Number]];
        yield 'a joint between' => ['Debiteurennaam', [Concept::Customer, Concept::Name]];
        yield 'the beginning of a word' => ['Vencim. doc.', [Concept::Due, Concept::Document]];
        yield 'signs for a number' => ['Invoice #', [Concept::Document, Concept::Number]];
        yield 'two letters that are one word' => ['O/S Amount', [Concept::Open, Concept::Amount]];
        yield 'a code' => ['Importe (USD)', [Concept::Amount, Concept::CurrencyCode]];
    }

    /** @param  list<Concept>  $says */
    #[DataProvider('headings')]
    public function test_a_heading_is_read_word_by_word(string $heading, array $says): void
    {
        $words = TradeWords::of($heading);
        self::assertCount(count($says), $words);
        foreach ($says as $place => $concept) {
            self::assertContains($concept, $words[$place], $heading);
        }
    }

    public function test_a_word_that_is_not_known_says_nothing(): void
    {
        self::assertSame([[]], TradeWords::of('Zwrbl'));
        self::assertSame([], TradeWords::of(' 1 '), 'a number is no word');
        foreach (['1-30', '61 to 90 days', 'Over 90', '90+', '> 120'] as $bucket) {
            self::assertSame([[Concept::Days]], TradeWords::of($bucket), 'a column of an aged list');
        }
        self::assertContains(Concept::Due, TradeWords::of('Fäl.')[0], 'three letters are enough to begin a word');
        self::assertSame([[]], TradeWords::of('Fä.'));
    }

    /** A short form is read by the other words of its list: RE is an invoice in German and a receipt in Portuguese. */
    public function test_short_forms_of_kinds_are_read_by_their_list(): void
    {
        $of = static fn (string ...$words): array => array_map(
            static fn ($kind): string => $kind->value,
            KindWords::inList(array_values($words)),
        );
        self::assertNull(KindWords::kind('RE'));
        self::assertSame(['re' => 'invoice'], $of('RE', 'GS', 'ZE'));
        self::assertSame('receipt', $of('FT', 'NCR', 'RE')['re'] ?? '');
        self::assertSame([], $of('RE'), 'alone it is asked about');
        self::assertSame('credit_note', KindWords::kind('Cr. Memos')->value ?? '');
        self::assertSame('invoice', KindWords::kind('Facturas de venta')->value ?? '');
    }

    public function test_the_currency_may_stand_above_the_amounts_alone(): void
    {
        $heads = ['Invoice No', 'Customer', 'Date', 'Due', 'Amount (USD)'];
        $mapping = self::guess($heads, ['F%d', 'C%d', '2026-10-0%d', '2026-11-0%d', '10%d.25']);
        self::assertSame(['currency' => 'USD'], $mapping?->fixed);
    }

    /** Days of a discount lie behind the documents' as terms do, and are not when something is due. */
    public function test_the_end_of_a_discount_is_no_due_date(): void
    {
        $heads = ['Rechnung', 'Kunde', 'Datum', 'Skontodatum', 'Betrag'];
        self::assertArrayNotHasKey('due_date', self::guess($heads, ['F%d', 'C%d', '2026-10-0%d', '2026-10-1%d', '10%d.25'])->columns ?? []);
        $heads[3] = 'Zwrbl';
        self::assertSame(3, self::guess($heads, ['F%d', 'C%d', '2026-10-0%d', '2026-10-1%d', '10%d.25'])->columns['due_date'] ?? null);
        // A few days later is when it was entered, as far as anybody can tell.
        self::assertArrayNotHasKey('due_date', self::guess($heads, ['F%d', 'C%d', '2026-10-01', '2026-10-0%d', '10%d.25'])->columns ?? []);
    }

    public function test_what_was_paid_beside_the_amounts_is_asked_about(): void
    {
        $asked = static function (string $paid): string {
            $heads = ['Invoice No', 'Customer', 'Date', 'Amount', 'Paid'];
            $lines = self::rows($heads, ['F%d', 'C%d', '2026-10-1%d', '10%d.25', $paid]);
            $guess = ForeignGuess::of($lines, null);
            self::assertNotNull($guess);

            return implode(' ', ForeignQuestions::of($guess, $lines));
        };
        self::assertStringContainsString('“Paid”', $asked('4%d.00'));
        self::assertSame('', $asked('0.00'));
    }

    /** Columns that no heading names are found by their cells: the other side, what is open, whose number it is. */
    public function test_what_no_heading_says_is_found_where_one_column_can_be_meant(): void
    {
        $lines = [['Doc no', 'Zwrbl', 'Company', 'Date', 'Invoice total', 'Qwx']];
        foreach (range(1, 9) as $n) {
            $open = $n % 3 === 0 ? "1{$n}0.00" : "2{$n}0.00";
            $name = ['Retama', 'Acequia', 'Deli'][$n % 3];
            $lines[] = ["F{$n}", 'N'.(100 + $n % 3), $name, "2026-10-1{$n}", "2{$n}0.00", $open];
        }
        $found = ['document' => 0, 'customer' => 1, 'date' => 3, 'amount' => 4, 'name' => 2, '+open' => 5];
        self::assertSame($found, ForeignGuess::of($lines, null)?->columns);
        $lines = [['Entry', 'Date', 'Account', 'Text', 'Debit', 'Qwx']];
        foreach (range(1, 9) as $n) {
            $lines[] = ['E'.intdiv($n, 2), "2026-10-1{$n}", '1100', 'sale', $n % 2 === 0 ? '' : "1{$n}.00", $n % 2 === 0 ? "1{$n}.00" : ''];
        }
        self::assertSame(5, ForeignGuess::of($lines, null)->columns['credit'] ?? null);
        $amounts = static fn (string ...$cells): ?int => self::guess(
            ['Doc no', 'Customer', 'Date', ...array_fill(0, count($cells), 'Zwrbl')],
            ['F%d', 'C%d', '2026-10-1%d', ...array_values($cells)],
        )->columns['amount'] ?? null;
        self::assertSame(3, $amounts('1%d.00'));
        self::assertNull($amounts('1%d.00', '2%d.00'), 'either may be meant');
    }

    /** A list in the names of the house among many others of its own: the side of what may be either is kept. */
    public function test_the_side_is_kept_beside_many_other_columns(): void
    {
        $others = array_map(static fn (int $n): string => "own {$n}", range(1, 9));
        $heads = ['document', 'kind', 'customer', 'date', 'currency', 'amount', 'side', ...$others];
        $guess = MappingGuess::of([$heads, ['A1', 'adjustment', 'C1', '2026-10-13', 'EUR', '5.00', 'credit']], null);
        self::assertSame(Habit::Foreign, $guess?->habit);
        $row = $guess->row(['A1', 'adjustment', 'C1', '2026-10-13', 'EUR', '5.00', 'credit']);
        self::assertSame(['adjustment', 'credit', '5.00'], [$row['kind'], $row['side'], $row['amount']]);
    }

    /** @return iterable<string, array{?FileKind, list<string>, list<string>}> */
    public static function shapes(): iterable
    {
        $of = ['C%d', 'Shop %d', 'F%d', '2026-10-1%d', '1%d0.00', ''];
        yield 'an aged list with its total' => [FileKind::Items, ['Customer', 'Name', 'Invoice', 'Date', 'Total', 'Over 90'], $of];
        yield 'an aged list without' => [null, ['Customer', 'Name', 'Invoice', 'Date', '1-30', 'Over 90'], $of];
        yield 'balances' => [null, ['Customer', 'Name', 'Balance', 'Overdue'], ['C%d', 'Shop %d', '1%d0.00', '5%d.00']];
        yield 'a trial balance' => [null, ['Account', 'Name', 'Debit', 'Credit'], ['1%d00', 'Account %d', '1%d0.00', '']];
        yield 'customers' => [FileKind::Customers, ['No', 'Name', 'Email', 'Balance'], ['C%d', 'Shop %d', 'a%d@example.com', '1%d0.00']];
        yield 'lines of invoices' => [null, ['Invoice', 'Customer', 'Date', 'Qty', 'Amount'], ['F1', 'C1', '2026-10-1%d', '%d', '1%d0.00']];
        $till = ['Date', 'Receipt No', 'From', 'Amount', 'Method'];
        yield 'receipts of a till' => [null, $till, ['2026-10-1%d', 'R%d', 'Shop %d', '1%d0.00', 'cash']];
    }

    /**
     * What fits a kind badly is asked about.
     *
     * @param list<string> $heads
     * @param list<string> $cells
     */
    #[DataProvider('shapes')]
    public function test_a_list_is_of_a_kind_or_is_asked_about(?FileKind $kind, array $heads, array $cells): void
    {
        $guess = self::guess($heads, $cells);
        self::assertSame($kind, $guess?->kind);
        self::assertArrayNotHasKey('+open', $guess->columns ?? []);
    }

    /** Read as days and months some of these would be due before their own day. */
    public function test_the_order_of_dates_may_follow_from_when_they_are_due(): void
    {
        $lines = [['Invoice', 'Customer', 'Date', 'Due', 'Amount'], ['F1', 'C1', '8/3/2026', '9/2/2026', '100.00'],
            ['F2', 'C2', '9/5/2026', '10/5/2026', '50.00']];
        $guess = ForeignGuess::of($lines, null);
        self::assertSame(DateOrder::MonthDayYear, $guess?->dates);
        self::assertSame([], ForeignQuestions::of($guess, $lines));
        $lines[1][3] = '8/3/2026';
        self::assertCount(1, ForeignQuestions::of(ForeignGuess::of($lines, null) ?? $guess, $lines));
    }

    public function test_words_for_paid_and_open_are_asked_about(): void
    {
        $lines = [['Invoice', 'Customer', 'Date', 'Amount', 'Status'], ['F1', 'C1', '2026-10-13', '100.00', 'Paid'],
            ['F2', 'C2', '2026-10-14', '50.00', 'Open']];
        $asked = ForeignQuestions::of(ForeignGuess::of($lines, null) ?? self::fail('it is a list of items'), $lines);
        self::assertStringContainsString('“Status”', implode($asked));
        $lines[1][4] = 'Open';
        self::assertSame([], ForeignQuestions::of(ForeignGuess::of($lines, null) ?? self::fail('it is a list of items'), $lines));
    }

    /**
     * @param list<string> $heads
     * @param list<string> $cells with a place for the number of the row
     */
    private static function guess(array $heads, array $cells): ?Mapping
    {
        return ForeignGuess::of(self::rows($heads, $cells), null);
    }

    /**
     * @param list<string> $heads
     * @param list<string> $cells
     * @return list<list<string>>
     */
    private static function rows(array $heads, array $cells): array
    {
        $row = static fn (int $n): array => array_map(static fn (string $cell): string => sprintf($cell, $n), $cells);

        return [$heads, ...array_map($row, range(1, 9))];
    }
}
