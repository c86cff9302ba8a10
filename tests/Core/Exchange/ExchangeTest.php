<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use Ajuste\Core\Exchange\CsvReader;
use Ajuste\Core\Exchange\CsvWriter;
use Ajuste\Core\Exchange\DateOrder;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\MappingGuess;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Exchange\SafeCell;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\TestCase;

final class ExchangeTest extends TestCase
{
    /** @return list<list<string>> */
    private function rows(string $text): array
    {
        $stream = fopen('php://memory', 'r+b');
        self::assertNotFalse($stream);
        fwrite($stream, $text);
        rewind($stream);

        return array_values([...CsvReader::rows($stream)]);
    }

    public function test_dates_in_each_order(): void
    {
        self::assertSame('2026-10-31', DateOrder::YearMonthDay->iso('20261031'));
        self::assertSame('2026-10-31', DateOrder::YearMonthDay->iso('2026-10-31T12:00:00'));
        self::assertSame('2026-10-31', DateOrder::DayMonthYear->iso('31.10.2026'));
        self::assertSame('2026-10-31', DateOrder::DayMonthYear->iso('31/10/26'));
        self::assertSame('2026-10-31', DateOrder::MonthDayYear->iso('10/31/2026'));
        self::assertSame('2026-01-05', DateOrder::MonthDayYear->iso(' 1/5/2026 '));
        foreach (['20261031', '2026-10-31', '31/10/026', 'soon'] as $text) {
            self::assertNull(DateOrder::DayMonthYear->iso($text), $text);
        }
    }

    public function test_separators_quotes_and_encodings(): void
    {
        $expected = [['document', 'name'], ['A', "Peña, \"S.L.\"\nOil"]];
        $csv = "document,name\nA,\"Peña, \"\"S.L.\"\"\nOil\"\n";
        self::assertSame($expected, $this->rows($csv));
        self::assertSame($expected, $this->rows("\xEF\xBB\xBF".$csv));
        self::assertSame($expected, $this->rows("\xFF\xFE".mb_convert_encoding($csv, 'UTF-16LE', 'UTF-8')));
        self::assertSame($expected, $this->rows("\xFE\xFF".mb_convert_encoding($csv, 'UTF-16BE', 'UTF-8')));
        self::assertSame([['name'], ['Peña €']], $this->rows(mb_convert_encoding("name\nPeña €\n", 'Windows-1252', 'UTF-8')));
        self::assertSame([['a', 'b'], ['1,5', '2']], $this->rows("a;b\r\n\r\n1,5;2\r\n"));
        self::assertSame([['a', 'b'], ['1', '2']], $this->rows("a\tb\n1\t2"));
        self::assertSame([['a', 'b'], ['1', '2']], $this->rows("\xEF\xBB\xBF\"a\",\"b\"\n1,2"));
        self::assertSame([], $this->rows(''));
        $this->expectException(Refusal::class);
        $this->rows("PK\x03\x04\0\0binary");
    }

    public function test_rows_keep_the_number_that_a_sheet_shows(): void
    {
        $stream = fopen('php://memory', 'r+b');
        self::assertNotFalse($stream);
        fwrite($stream, "a\n\n\"x\ny\"\nz\n");
        rewind($stream);
        self::assertSame([1, 3, 4], array_keys(iterator_to_array(CsvReader::rows($stream))));
    }

    public function test_the_kind_is_read_from_the_name(): void
    {
        self::assertSame(FileKind::Items, FileKind::named('ITEMS 2026-10.csv'));
        self::assertSame(FileKind::ItemLines, FileKind::named('item_lines.csv'));
        self::assertSame(FileKind::SupplierItems, FileKind::named('supplier_items-oct.xlsx'));
        self::assertNull(FileKind::named('itemsold.csv'));
        self::assertNull(FileKind::named('export.csv'));
    }

    public function test_house_format_needs_no_guess(): void
    {
        $head = [
            ['date', 'document', 'kind', 'customer', 'due_date', 'currency', 'amount', 'base_amount', 'note'],
            ['2026-10-01', 'A', 'invoice', 'C1', '2026-10-31', 'EUR', '1234.50', '1234.50', 'x'],
        ];
        $mapping = MappingGuess::of($head, FileKind::Items);
        self::assertNotNull($mapping);
        self::assertTrue($mapping->isHouseFormat());
        self::assertSame([], $mapping->missing());
        self::assertSame(
            ['A', '2026-10-01', '1234.50', ''],
            [
                $mapping->row($head[1])['document'],
                $mapping->row($head[1])['date'],
                $mapping->row($head[1])['amount'],
                $mapping->row($head[1])['entry'],
            ],
        );
    }

    public function test_a_foreign_shape_is_guessed_from_its_own_lines(): void
    {
        $head = [
            ['Offene Posten', '', ''],
            ['Stand 31.10.2026'],
            ['Belegnummer', 'Belegart', 'Kunde', 'Belegdatum', 'Fällig', 'Währung', 'Betrag', 'Basisbetrag'],
            ['F1', 'invoice', 'C1', '05.10.2026', '31.10.2026', 'EUR', '1.234,56', '1.234,56'],
            ['F2', 'invoice', 'C1', '06.10.2026', '30.11.2026', 'EUR', '12,00', '12,00'],
        ];
        $mapping = MappingGuess::of($head, null);
        self::assertNotNull($mapping);
        self::assertSame(
            [FileKind::Items, 3, DateOrder::DayMonthYear, ','],
            [$mapping->kind, $mapping->headerRow, $mapping->dates, $mapping->decimalMark],
        );
        $row = $mapping->row($head[3]);
        self::assertSame(['F1', '2026-10-05', '2026-10-31', '1234.56'], [$row['document'], $row['date'], $row['due_date'], $row['amount']]);
        self::assertSame([DateOrder::DayMonthYear], MappingGuess::datesThatFit($mapping, array_slice($head, 3)));
        // Days of twelve or below can be read both ways; a person has to say which.
        self::assertCount(2, MappingGuess::datesThatFit($mapping, [['F1', '', '', '05.10.2026', '06.10.2026']]));
    }

    public function test_a_wrong_cell_names_its_field_and_what_was_expected(): void
    {
        $head = [['document', 'kind', 'customer', 'date', 'due_date', 'currency', 'amount', 'base_amount']];
        $mapping = MappingGuess::of($head, FileKind::Items);
        self::assertNotNull($mapping);
        $good = ['A', 'invoice', 'C1', '2026-10-01', '', 'EUR', '1.00', ''];
        foreach (
            [
                [0, '', 'document'],
                [1, 'bill', 'kind'],
                [3, '2026-02-30', 'date'],
                [3, '01/02/2026', 'date'],
                [5, 'eur', 'currency'],
                [6, '1,00', 'amount'],
                [6, '=1+1', 'amount'],
                [6, '1e5', 'amount'],
            ] as [$column, $cell, $field]
        ) {
            try {
                $mapping->row([...array_slice($good, 0, $column), $cell, ...array_slice($good, $column + 1)]);
                self::fail("“{$cell}” was taken for {$field}.");
            } catch (RowFault $fault) {
                self::assertSame([$field, $cell], [$fault->field, $fault->value]);
                self::assertStringContainsString('expected', $fault->expected);
            }
        }
    }

    public function test_cells_that_a_sheet_would_run_are_made_harmless(): void
    {
        foreach (['=1+1', '+1', '-1+1', '@SUM(A1)', "\tx", ' =cmd', '=HYPERLINK("x")'] as $text) {
            self::assertStringStartsWith("'", SafeCell::of($text), $text);
        }
        foreach (['-12.50', 'plain', '12', 'a=b', ''] as $text) {
            self::assertSame($text, SafeCell::of($text));
        }
        self::assertSame("a,\"b \"\"c\"\", d\",'=x\n", CsvWriter::line(['a', 'b "c", d', '=x']));
    }

    public function test_settings_know_what_they_can_be(): void
    {
        foreach (Setting::cases() as $setting) {
            if ($setting->default() !== '') {
                $setting->check($setting->default());
            }
        }
        foreach (
            [
                [Setting::Period, '2026-13'],
                [Setting::Buckets, '30,20'],
                [Setting::CreditBalances, 'all'],
                [Setting::PairingWindowDays, '-1'],
                [Setting::ResidueLimit, '-5'],
                [Setting::BaseCurrency, 'euro'],
            ] as [$setting, $value]
        ) {
            try {
                $setting->check($value);
                self::fail("{$setting->value} took “{$value}”.");
            } catch (RowFault $fault) {
                self::assertSame('value', $fault->field);
            }
        }
    }
}
