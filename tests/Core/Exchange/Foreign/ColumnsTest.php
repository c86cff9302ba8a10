<?php

declare(strict_types=1);

namespace Tests\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Foreign\ColumnCells;
use Ajuste\Core\Exchange\Foreign\ColumnPairs;
use Ajuste\Core\Exchange\Foreign\ForeignColumns;
use Ajuste\Core\Exchange\Foreign\Headings;
use Ajuste\Core\Exchange\Foreign\Misfit;
use PHPUnit\Framework\TestCase;

/** What stands in columns of a list, alone and beside another. */
final class ColumnsTest extends TestCase
{
    /** Of ten cells eight have to be what the column is. */
    public function test_eight_of_ten_cells_make_a_column(): void
    {
        $column = static fn (string $good, string $bad, int $of): ColumnCells => new ColumnCells(
            [...array_fill(0, $of, $good), ...array_fill(0, 10 - $of, $bad)],
        );
        foreach (
            [
                ['2026-10-31', 'soon', 'areDays'], ['1.25', 'soon', 'areAmounts'], ['Retama', '1.25', 'areNames'],
                ['F1', 'a b', 'areCodes'],
                ['EUR', 'euros', 'areCurrencies'], ['Retama', '12345', 'areWords'], ['A1', 'AB', 'haveDigits'], ['CR', 'xx', 'areMarks'],
                ['INV', str_repeat('x', 25), 'mayBeKinds'], ['A12', 'A1', 'areLong'],
            ] as [$good, $bad, $is]
        ) {
            self::assertTrue($column($good, $bad, 8)->{$is}(), "{$is}: eight of ten");
            self::assertFalse($column($good, $bad, 7)->{$is}(), "{$is}: seven of ten");
            self::assertFalse((new ColumnCells([]))->{$is}(), "{$is}: no cell");
        }
    }

    public function test_a_code_is_short_and_has_a_digit_and_no_blank(): void
    {
        $is = static fn (string $cell): bool => (new ColumnCells([$cell]))->areCodes();
        self::assertTrue($is(str_repeat('1', 24)));
        self::assertFalse($is(str_repeat('1', 25)));
        self::assertFalse($is('ABC'));
        self::assertFalse($is('F 1'));
        self::assertFalse($is('12.50'));
        self::assertFalse($is('31/10/2026'));
    }

    public function test_days_of_a_sheet_may_be_numbers_of_anything(): void
    {
        self::assertFalse((new ColumnCells(['46326', '46327.5']))->areWrittenDays());
        self::assertTrue((new ColumnCells(['20261031', '31.10.2026']))->areWrittenDays());
        self::assertFalse((new ColumnCells(['100', '200']))->areWrittenAmounts(), 'no decimals');
        self::assertTrue((new ColumnCells(['100.00', '7,50 EUR', '3']))->areWrittenAmounts());
        self::assertFalse((new ColumnCells(['100.00', '3']))->areWrittenAmounts(), 'half of them');
    }

    public function test_kinds_are_known_words_of_more_than_one_sort(): void
    {
        self::assertTrue((new ColumnCells(['RE', 'GS', 'RE', 'ZE']))->areKinds(), 'in the language of the list');
        self::assertFalse((new ColumnCells(['Invoice', 'Invoice']))->areKinds());
        self::assertFalse((new ColumnCells(['Invoice', 'Zwrbl']))->areKinds());
        self::assertTrue((new ColumnCells(['Zw', 'Qx', 'Zw', 'Zw']))->areFewWords());
        self::assertTrue((new ColumnCells(['a', 'b', 'c', 'd', 'e', 'f']))->areFewWords());
        self::assertFalse((new ColumnCells(['a', 'b', 'c', 'd', 'e', 'f', 'g']))->areFewWords());
        self::assertFalse((new ColumnCells(['Zw', 'Zw']))->areFewWords());
        self::assertSame(0.5, (new ColumnCells(['a', 'b', 'a', 'b']))->ownShare());
        self::assertSame(0.0, (new ColumnCells([]))->ownShare());
    }

    public function test_terms_of_payment_lie_behind_the_dates_by_a_few_numbers_of_days(): void
    {
        $are = static fn (string ...$due): bool => (new ColumnPairs(
            array_map(static fn (string $day): array => ['2026-10-01', $day], array_values($due)),
        ))->areTerms(0, 1);
        self::assertTrue($are('2026-10-31', '2026-10-31', '2026-10-15'));
        self::assertTrue($are('2026-10-08'), 'a week');
        self::assertFalse($are('2026-10-07'), 'fewer days are none');
        self::assertFalse($are('2026-10-31', '2026-09-30', '2026-10-31'), 'one is before its day');
        self::assertFalse($are('', '2026-10-31'), 'half of the rows');
        $any = array_map(static fn (int $day): string => sprintf('2026-11-%02d', 2 * $day), range(4, 10));
        self::assertTrue($are(...array_slice($any, 0, 6)));
        self::assertFalse($are(...$any), 'seven kinds of terms');
        $ends = ['2026-10-31', '2026-11-30', '2026-12-31', '2027-01-31', '2027-02-28', '2027-03-31', '2027-04-30'];
        self::assertTrue($are(...$ends), 'ends of months');
    }

    public function test_what_is_open_is_a_part_of_each_amount_and_the_whole_of_some(): void
    {
        $is = static fn (string ...$open): bool => (new ColumnPairs(
            array_map(static fn (string $part): array => ['100.00', $part], array_values($open)),
        ))->isPart(0, 1);
        self::assertTrue($is('100.00', '50.00', '50.00', '50.00', '50.00'), 'one of five is whole');
        self::assertFalse($is('100.00', '50.00', '50.00', '50.00', '50.00', '50.00'));
        self::assertFalse($is('100.00', '100.00'), 'the same column twice');
        self::assertFalse($is('100.00', '50.00', '100.01'), 'one is more');
    }

    public function test_two_columns_share_the_amounts_or_do_not(): void
    {
        $are = static fn (array ...$rows): bool => (new ColumnPairs(array_values($rows)))->areOneOf(0, 1);
        self::assertTrue($are(['1.00', ''], ['', '2.00'], ['0.00', '2.00']));
        self::assertFalse($are(['1.00', '2.00'], ['', '2.00']));
        self::assertFalse($are(['1.00', ''], ['', '']), 'half of the rows have none');
        $pairs = new ColumnPairs([...array_fill(0, 9, ['x']), ['']]);
        self::assertTrue($pairs->isFilled(0));
        self::assertFalse((new ColumnPairs([...array_fill(0, 8, ['x']), [''], ['']]))->isFilled(0));
    }

    public function test_the_amounts_of_an_entry_come_to_nil(): void
    {
        $sides = new ColumnPairs([['E1', '5.00', ''], ['E1', '', '5.00'], ['E2', '7.00', ''], ['E2', '', '4.00'], ['E2', '', '3.00']]);
        self::assertTrue($sides->areBalanced(0, [1, 2]));
        self::assertFalse($sides->areBalanced(0, [1]));
        $signed = static fn (string $last, string $number = 'E2'): bool => (new ColumnPairs(
            [['E1', '5.00'], ['E1', '-5.00'], ['E2', '7.00 DR'], [$number, $last]],
        ))->areBalanced(0, [1]);
        self::assertTrue($signed('7.00 CR'));
        self::assertFalse($signed('6.00 CR'));
        self::assertFalse($signed('7.00 CR', 'E3'), 'an entry has two lines or more');
        self::assertFalse((new ColumnPairs([['E1', '5.00'], ['E1', '-5.00']]))->areBalanced(0, [1]), 'one number for all is none');
    }

    /** In letters beside the amounts the sides may stand too. */
    public function test_letters_say_the_sides_of_amounts(): void
    {
        $entries = new ColumnPairs([['E1', '5.00', 'S'], ['E1', '5.00', 'H'], ['E2', '7.00', '+'], ['E2', '7.00', '-']]);
        self::assertTrue($entries->areBalanced(0, [1], 2));
        self::assertFalse($entries->areBalanced(0, [1]));
        $kinds = new ColumnPairs([['DR', '5.00', 'S'], ['DG', '5.00', 'H'], ['', '5.00', 'H'], ['DR', '7.00', 'S']]);
        self::assertTrue($kinds->areOfOneSide(0, 1, 2));
        self::assertFalse($kinds->areOfOneSide(0, 1), 'all of one side');
        self::assertFalse((new ColumnPairs([['x', '5.00'], ['y', '-5.00'], ['x', '-1.00']]))->areOfOneSide(0, 1));
        self::assertTrue((new ColumnPairs([['x', '5.00'], ['y', '-5.00'], ['z', '-1.00']]))->areOfOneSide(0, 1));
    }

    public function test_numbers_and_names_go_together_where_they_are_those_of_customers(): void
    {
        $go = static fn (array ...$rows): bool => (new ColumnPairs(array_values($rows)))->nameTheSame(1, 0);
        self::assertTrue($go(['1', 'Retama'], ['2', 'Deli'], ['1', 'Retama']));
        self::assertFalse($go(['1', 'Retama'], ['2', 'Deli']), 'each stands once');
        self::assertFalse($go(['1', 'Retama'], ['1', 'Deli'], ['2', 'Deli']));
    }

    /** A list has the columns of a kind and yet is of another. */
    public function test_what_does_not_fit_its_kind(): void
    {
        $is = static function (FileKind $kind, array $columns, array $heads, array ...$rows): bool {
            $list = ForeignColumns::below($heads, array_values($rows));
            self::assertNotNull($list);

            return Misfit::is($kind, $list, $columns);
        };
        $lines = static fn (int $own): array => array_map(
            static fn (int $n): array => ['E'.min($n, $own), '2026-10-01', 'text', "{$n}.00"],
            range(1, 10),
        );
        [$heads, $columns] = [['Journal No', 'Date', 'Text', 'Amount'], ['date' => 1, 'text' => 2, 'amount' => 3]];
        self::assertTrue($is(FileKind::BankLines, $columns, $heads, ...$lines(7)), 'entries of several lines');
        self::assertFalse($is(FileKind::BankLines, $columns, $heads, ...$lines(8)));
        $shops = static fn (int $own): array => array_map(
            static fn (int $n): array => ['C'.min($n, $own), "Shop {$n}", 'x'],
            range(1, 50),
        );
        [$heads, $columns] = [['No', 'Name', 'Note'], ['customer' => 0, 'name' => 1]];
        self::assertFalse($is(FileKind::Customers, $columns, $heads, ...$shops(49)));
        self::assertTrue($is(FileKind::Customers, $columns, $heads, ...$shops(48)), 'a number stands in several rows');
        self::assertFalse($is(FileKind::Ledger, [], $heads, ...$shops(1)));
    }

    /** Which of two headings is the surer one for a field. */
    public function test_what_stands_beside_a_word_makes_it_surer_or_less_so(): void
    {
        $weighs = static fn (FileKind $kind, string $field, string $heading): float => round(
            Headings::of($kind, [$heading])[$field][0] ?? 0.0,
            2,
        );
        foreach (
            [
                'document' => ['Invoice' => 0.9, 'Invoice No' => 1.1, 'No' => 0.5, 'Ref' => 0.4, 'Our invoice' => 1.0,
                    'Invoice day' => 0.0],
                'customer' => ['Client' => 0.9, 'Client No' => 1.1, 'Account' => 0.55, 'Account No' => 0.75, 'Client account' => 1.0],
                'name' => ['Nombre' => 1.0, 'Client name' => 1.1, 'Client' => 0.45, 'Client zwrbl' => 0.27],
                'date' => ['Day' => 0.9, 'Invoice day' => 1.1, 'Posting day' => 0.85, 'Due day' => 0.0],
                'due_date' => ['Due' => 1.0, 'Due day' => 1.1, 'Payment due day' => 1.2, 'Net due' => 1.0],
                'currency' => ['Divisa' => 1.0, 'Divisa code' => 1.0, 'Invoice currency' => 1.0, 'Währungskennz.' => 1.0],
                'amount' => ['Betrag' => 0.8, 'Gross amount' => 1.0, 'Original amount' => 0.95, 'Tax amount' => 0.0, 'Net amount' => 0.0],
                'base_amount' => ['Local amount' => 1.0, 'Betrag EUR' => 0.4],
                '+open' => ['Open' => 1.0, 'Open amount' => 1.1, 'Balance' => 0.8, 'Open tax' => 0.0],
                'kind' => ['Type' => 1.0, 'Invoice type' => 1.2, 'Type code' => 1.0],
                '+marker' => ['D/C' => 0.9, 'Sign' => 0.9, 'Debit' => 0.0],
            ] as $field => $headings
        ) {
            foreach ($headings as $heading => $weight) {
                self::assertSame($weight, $weighs(FileKind::Items, $field, $heading), "{$heading} for {$field}");
            }
        }
        self::assertSame(1.5, $weighs(FileKind::Items, 'due_date', 'due_date'), 'the name that the house format has');
        self::assertSame(0.0, $weighs(FileKind::Items, 'document', 'Zwrbl'));
        self::assertSame(0.0, $weighs(FileKind::Items, 'document', 'Invoice zwrbl qwx'), 'two words that are not known');
    }
}
