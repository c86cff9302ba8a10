<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use Ajuste\Core\Exchange\DateOrder;
use Ajuste\Core\Exchange\Field;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Exchange\MappingGuess;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Exchange\TableComparison;
use PHPUnit\Framework\TestCase;

/** What each file must have, and how a file in another shape becomes rows of the house format. */
final class HouseFormatTest extends TestCase
{
    /** Columns of each file: `?` may be missing from it, `~` has to be there and may be blank in a row. */
    private const COLUMNS = [
        'calendar' => 'period from to',
        'settings' => 'name value~ from?',
        'accounts' => 'account name type role? currency? iban?',
        'suppliers' => 'supplier name currency control_account? iban?',
        'customers' => 'customer name trading_name? currency terms? control_account? supplier? group? iban? email? tax_id? country? '.
            'credit_limit? related? region? salesperson?',
        'agreements' => 'customer supplier reference from to? currency scope',
        'rates' => 'date currency rate quoted?',
        'allowance_rates' => 'group~ bucket rate source?',
        'items' => 'document kind customer date due_date~ currency amount~ base_amount~ side? reference? control_account? entry? batch? '.
            'terms?',
        'instalments' => 'document due_date amount',
        'item_lines' => 'document line description~ quantity~ unit_price~ net tax_rate~ account~',
        'specific_allowances' => 'customer document? amount? percent? reason review?',
        'matches' => 'date debit_document credit_document amount',
        'supplier_items' => 'document kind supplier date due_date~ currency amount base_amount~ open? carrying? blocked? reference?',
        'supplier_matches' => 'date bill credit_document amount',
        'ledger' => 'entry date account reference? description~ debit~ credit~ document? customer? source? recorded_at? batch? '.
            'currency? currency_amount?',
        'bank_lines' => 'date value_date? amount? money_in? money_out? text~ party? party_account? reference? currency? balance? '
            .'bank_account?',
    ];

    public function test_every_file_has_its_columns(): void
    {
        $columns = [];
        foreach (FileKind::cases() as $kind) {
            $columns[$kind->value] = implode(
                ' ',
                array_map(
                    static fn (Field $field): string => $field->name.($field->required ? ($field->mayBeBlank ? '~' : '') : '?'),
                    $kind->fields(),
                ),
            );
            foreach ($kind->fields() as $field) {
                self::assertTrue($field->required || $field->mayBeBlank, "{$kind->value} {$field->name}");
            }
            self::assertSame([], array_diff($kind->key(), array_keys($kind->fields())));
        }
        self::assertSame(self::COLUMNS, $columns);
    }

    public function test_what_is_required_is_missed_unless_a_column_or_a_fixed_value_fills_it(): void
    {
        $mapping = new Mapping(FileKind::Customers, 1, ['customer' => 0]);
        self::assertSame(['name', 'currency'], $mapping->missing());
        self::assertSame(['name'], (new Mapping(FileKind::Customers, 1, ['customer' => 0], fixed: ['currency' => 'EUR']))->missing());
        self::assertSame([], (new Mapping(FileKind::Settings, 1, ['name' => 1]))->missing());
    }

    public function test_only_iso_dates_with_a_point_and_nothing_fixed_are_the_house_format(): void
    {
        self::assertTrue((new Mapping(FileKind::Items, 1, []))->isHouseFormat());
        self::assertFalse((new Mapping(FileKind::Items, 1, [], DateOrder::DayMonthYear))->isHouseFormat());
        self::assertFalse((new Mapping(FileKind::Items, 1, [], decimalMark: ','))->isHouseFormat());
        self::assertFalse((new Mapping(FileKind::Items, 1, [], fixed: ['currency' => 'EUR']))->isHouseFormat());
    }

    public function test_a_stored_mapping_comes_back_as_it_was(): void
    {
        $mapping = new Mapping(FileKind::Rates, 3, ['date' => 2, 'rate' => 0], DateOrder::MonthDayYear, ',', ['currency' => 'GBP']);
        self::assertEquals($mapping, Mapping::fromArray($mapping->toArray()));
        $stored = [...$mapping->toArray(), 'columns' => ['date' => '1', 'rate' => '', 'colour' => '4'], 'header_row' => '0'];
        $stored['fixed'] = ['currency' => '', 'quoted' => 'x', 'colour' => 'red'];
        $read = Mapping::fromArray($stored);
        self::assertSame([1, ['date' => 1], ['quoted' => 'x']], [$read->headerRow, $read->columns, $read->fixed]);
        $wrongs = [['decimal_mark', ';', 'a point or a comma'], ['dates', 'xyz', 'not an order'], ['kind', 'poems', 'not a kind']];
        foreach ($wrongs as $wrong) {
            try {
                Mapping::fromArray([...$mapping->toArray(), $wrong[0] => $wrong[1]]);
                self::fail($wrong[0]);
            } catch (\Ajuste\Core\Refusal $refusal) {
                self::assertStringContainsString($wrong[2], $refusal->getMessage());
            }
        }
    }

    public function test_a_text_has_four_hundred_characters_at_most(): void
    {
        $mapping = new Mapping(FileKind::Settings, 1, ['name' => 0, 'value' => 1]);
        self::assertSame(str_repeat('x', 400), $mapping->row(['a', str_repeat('x', 400)])['value']);
        try {
            $mapping->row(['a', 'y'.str_repeat('x', 400)]);
            self::fail('It is too long.');
        } catch (RowFault $fault) {
            self::assertSame(['value', 'y'.str_repeat('x', 39).'…'], [$fault->field, $fault->value]);
        }
    }

    public function test_grouped_amounts_are_read_where_the_marks_stand_as_they_should(): void
    {
        $comma = new Mapping(FileKind::Rates, 1, ['rate' => 0, 'date' => 1, 'currency' => 2], decimalMark: ',');
        foreach (['1.234,5' => '1234.5', '-1.234.567' => '-1234567', '12,50' => '12.50', '1 234,5' => '1234.5'] as $text => $plain) {
            self::assertSame($plain, $comma->row([$text, '2026-10-01', 'GBP'])['rate'], $text);
        }
        foreach (['1.23,4', '12.3', '1.2345,6', '0.001,5x'] as $text) {
            try {
                $comma->row([$text, '2026-10-01', 'GBP']);
                self::fail($text);
            } catch (RowFault $fault) {
                self::assertSame($text, $fault->value);
            }
        }
    }

    public function test_what_a_later_table_brings(): void
    {
        $comparison = new TableComparison(
            [['A', '1'], ['A', '1'], ['A', '2'], ['B', '1'], ['C', '1']],
            [['A', '1'], ['A', '3'], ['B', '1'], ['D', '1'], ['D', '1']],
            [0],
        );
        self::assertSame([['D', '1'], ['D', '1']], $comparison->added);
        self::assertSame([['A', '2'], ['C', '1']], $comparison->vanished);
        self::assertSame([[['A', '1'], ['A', '3']]], $comparison->changed);
        self::assertSame(2, $comparison->same);
    }

    public function test_the_kind_is_guessed_from_the_headings(): void
    {
        $guess = static fn (string ...$lines): ?Mapping => MappingGuess::of(
            array_map(static fn (string $line): array => explode('|', $line), array_values($lines)),
            null,
        );
        $bank = $guess('Fecha|Concepto|Importe|Saldo', '05/10/2026|Transferencia|1.234,56|9.000,00', '31/10/2026|Comisión|-3,50|8.996,50');
        self::assertSame(
            [FileKind::BankLines, ['date' => 0, 'amount' => 2, 'text' => 1, 'balance' => 3], DateOrder::DayMonthYear, ','],
            [$bank?->kind, $bank?->columns, $bank?->dates, $bank?->decimalMark],
        );
        self::assertSame(FileKind::Customers, $guess('customer|name|currency')?->kind);
        self::assertNull($guess('colour|weight|smell'));
        $late = $guess(...[...array_fill(0, 14, 'x'), 'Document No|Type|Client|Document date|Due on|Ccy|Total|Base']);
        self::assertSame([FileKind::Items, 15], [$late?->kind, $late?->headerRow]);
        self::assertNull($guess(...[...array_fill(0, 15, 'x'), 'Document No|Type|Client|Document date|Due on|Ccy|Total|Base']));
    }

    /** The order of day and month in which nine of ten dates are one; a wrong date here and there is the row's fault. */
    public function test_an_order_of_dates_may_fail_once_in_ten(): void
    {
        $mapping = new Mapping(FileKind::Rates, 1, ['date' => 0]);
        $of = static fn (int $good, int $bad): array => [...array_fill(0, $good, ['13/10/2026']), ...array_fill(0, $bad, ['soon']), ['']];
        self::assertSame([DateOrder::DayMonthYear], MappingGuess::datesThatFit($mapping, $of(9, 1)));
        self::assertSame([], MappingGuess::datesThatFit($mapping, $of(8, 1)));
        self::assertSame(DateOrder::cases(), MappingGuess::datesThatFit($mapping, [['']]));
        $mixed = [...array_fill(0, 19, ['10/11/2026']), ['13/10/2026']];
        self::assertSame([DateOrder::DayMonthYear, DateOrder::MonthDayYear], MappingGuess::datesThatFit($mapping, $mixed));
        $american = [...array_fill(0, 19, ['10/11/2026']), ['10/13/2026']];
        self::assertSame([DateOrder::MonthDayYear, DateOrder::DayMonthYear], MappingGuess::datesThatFit($mapping, $american));
    }

    public function test_the_decimal_mark_is_the_one_that_most_amounts_show(): void
    {
        $mark = static fn (string ...$amounts): ?string => MappingGuess::of(
            [
                ['date', 'currency', 'rate', 'note'],
                ...array_map(static fn (string $of): array => ['2026-10-01', 'GBP', $of, '9,9'], $amounts),
            ],
            FileKind::Rates,
        )?->decimalMark;
        self::assertSame(',', $mark('1,5', '2,25', '3.5'));
        self::assertSame('.', $mark('1,5', '2.25', '3.5'));
        self::assertSame(',', $mark('1.234,5678'));
        self::assertSame('.', $mark('1,234.5678'));
        self::assertSame('.', $mark('1,5678'));
        self::assertSame('.', $mark('1,5', '2.5'));
        self::assertSame(',', $mark('1,5', '1,5678'));
    }
}
