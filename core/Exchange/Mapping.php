<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Foreign\ForeignRow;
use Ajuste\Core\Exchange\Foreign\KindWords;
use Ajuste\Core\Exchange\Foreign\LineAbove;
use Ajuste\Core\Exchange\Foreign\PlainWords;
use Ajuste\Core\Exchange\Foreign\PrintLine;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;

/**
 * How the table of one file becomes rows of the house format: which line holds the headings, which heading fills which field, how
 * dates and amounts are written. Remembered for every file of the same shape.
 */
final readonly class Mapping
{
    /**
     * @param int $headerRow 1 is the first line of the file
     * @param array<string, int> $columns field name to column, 0 the first
     * @param array<string, string> $fixed field name to a value that holds for every row
     * @param array<string, string> $words kind of document by the word of the list, where a person said what it means
     */
    public function __construct(
        public FileKind $kind,
        public int $headerRow,
        public array $columns,
        public DateOrder $dates = DateOrder::YearMonthDay,
        public string $decimalMark = '.',
        public array $fixed = [],
        public Habit $habit = Habit::House,
        public array $words = [],
    ) {}

    /** The kind of document that a word of the list means; null where neither the trade nor a person has said it. */
    public function kindOf(string $word): ?Kind
    {
        return Kind::tryFrom($this->words[PlainWords::of($word)] ?? '') ?? KindWords::kind($word);
    }

    /**
     * The customer that a line of its own names for the rows below it; null where the line is none.
     *
     * @param list<string> $cells
     * @param list<string> $headings
     */
    public function above(array $cells, array $headings): ?string
    {
        return LineAbove::read($this, $cells, $headings);
    }

    /** Whether the file is in the house format, so that nobody needs to be asked. */
    public function isHouseFormat(): bool
    {
        return $this->habit === Habit::House && $this->fixed === []
            && $this->dates === DateOrder::YearMonthDay && $this->decimalMark === '.';
    }

    /** @return list<string> fields that a row needs and that nothing fills */
    public function missing(): array
    {
        $missing = [];
        foreach ($this->kind->fields() as $name => $field) {
            $has = isset($this->columns[$name]) || isset($this->fixed[$name]) || $this->follows($name);
            if ($field->required && ! $field->mayBeBlank && ! $has) {
                $missing[] = $name;
            }
        }

        return $missing;
    }

    /**
     * The row's fields in house format, every field of the kind present, blank where the file has nothing.
     *
     * @param list<string> $cells
     * @param string $above the customer that the line above names, or blank
     * @return array<string, string>
     *
     * @throws RowFault when a cell is not what its field has to be
     */
    public function row(array $cells, string $above = ''): array
    {
        if ($this->habit === Habit::Foreign) {
            return (new ForeignRow($this, $cells, $above))->read();
        }
        $row = [];
        foreach ($this->kind->fields() as $name => $field) {
            $column = $this->columns[$name] ?? null;
            $text = $column === null ? $this->fixed[$name] ?? '' : trim($cells[$column] ?? '');
            $row[$name] = $text === '' && $field->mayBeBlank ? '' : $this->read($field, $text); // most fields of most rows are blank
        }

        return $row;
    }

    /**
     * Why a line of the file is no row of it, or blank.
     *
     * @param list<string> $cells
     * @param list<string> $headings
     */
    public function skips(array $cells, array $headings): string
    {
        if ($this->habit === Habit::House) {
            return '';
        }
        $needed = array_values(array_intersect_key($this->columns, array_flip(['document', 'date', 'account', 'customer'])));

        return match (true) {
            PrintLine::is($cells, $headings, $needed) => 'printed',
            (new ForeignRow($this, $cells))->isSettled() => 'settled',
            default => '',
        };
    }

    /** Whether a field follows from others in a foreign list. */
    private function follows(string $field): bool
    {
        return $this->habit === Habit::Foreign && match ($this->kind) {
            FileKind::Items => $field === 'kind' || $field === 'currency' ||
                ($field === 'customer' && (isset($this->columns['name']) || isset($this->columns['+above']))),
            FileKind::Ledger => $field === 'entry' && isset($this->columns['document']),
            FileKind::Customers => in_array($field, ['name', 'currency'], true),
            default => false,
        };
    }

    private function read(Field $field, string $text): string
    {
        if ($text === '') {
            return $field->mayBeBlank ? '' : throw new RowFault($field->name, '', 'a value is expected');
        }
        switch ($field->type) {
            case FieldType::Date:
                $day = $this->dates->iso($text);

                return $day !== null && Day::isDay($day)
                    ? $day
                    : throw new RowFault($field->name, $text, 'a date is expected, '.$this->dates->words());
            case FieldType::Amount:
            case FieldType::Number:
                return $this->number($field, $text);
            case FieldType::Currency:
                return Currency::isKnown($text)
                    ? $text
                    : throw new RowFault($field->name, $text, 'a currency code of ISO 4217 is expected, such as EUR');
            case FieldType::Choice:
                return in_array($text, $field->choices, true)
                    ? $text
                    : throw new RowFault($field->name, $text, 'one of '.implode(', ', $field->choices).' is expected');
            case FieldType::Text:
                if (strlen($text) > 400) {
                    throw new RowFault($field->name, substr($text, 0, 40).'…', 'at most 400 characters are expected');
                }

                return $text;
        }
    }

    private function number(Field $field, string $text): string
    {
        $plain = $this->isHouseFormat() ? $text : $this->ungrouped($text);
        if (preg_match('/^-?\d{1,18}(\.\d{1,12})?$/D', $plain) !== 1) {
            throw new RowFault($field->name, $text, 'a number is expected, with “'.$this->decimalMark.'” before the decimals');
        }

        return $plain;
    }

    /** Takes out the marks between thousands, and puts a point before the decimals; blank where the marks do not stand as they should. */
    private function ungrouped(string $text): string
    {
        $group = $this->decimalMark === ',' ? '.' : ',';
        $plain = str_replace([' ', "'", '’', "\u{a0}", "\u{202f}"], '', $text);
        if (
            preg_match(
                '/^-?\d{1,3}(?:'.preg_quote($group, '/').'\d{3})+(?:'.preg_quote($this->decimalMark, '/').'\d+)?$/D',
                $plain,
            ) === 1
        ) {
            $plain = str_replace($group, '', $plain);
        }

        return str_contains($plain, $group) ? '' : str_replace($this->decimalMark, '.', $plain);
    }

    /**
     * @return array{
     *     kind: string, header_row: int, columns: array<string, int>, dates: string, decimal_mark: string, fixed: array<string, string>,
     *     habit: string, words: array<string, string>
     * }
     */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value,
            'header_row' => $this->headerRow,
            'columns' => $this->columns,
            'dates' => $this->dates->value,
            'decimal_mark' => $this->decimalMark,
            'fixed' => $this->fixed,
            'habit' => $this->habit->value,
            'words' => $this->words,
        ];
    }

    /**
     * @param array{
     *     kind: string, header_row: int|string, columns: array<string, int|string>, dates: string, decimal_mark: string,
     *     fixed?: array<string, string>, habit?: string, words?: array<string, string>
     * } $stored
     *
     * @throws Refusal when the stored form does not describe a mapping
     */
    public static function fromArray(array $stored): self
    {
        $kind = FileKind::tryFrom($stored['kind']) ?? throw new Refusal("“{$stored['kind']}” is not a kind of file that is read here.");
        $dates =
            DateOrder::tryFrom($stored['dates']) ?? throw new Refusal("“{$stored['dates']}” is not an order of day, month "
                .'and '.'year.');
        if (! in_array($stored['decimal_mark'], ['.', ','], true)) {
            throw new Refusal('The decimal mark is a point or a comma.');
        }
        $columns = [];
        foreach ($stored['columns'] as $field => $column) {
            if ((isset($kind->fields()[$field]) || in_array($field, $kind->foreignFields(), true)) && (string) $column !== '') {
                $columns[$field] = (int) $column;
            }
        }

        return new self(
            $kind,
            max(1, (int) $stored['header_row']),
            $columns,
            $dates,
            $stored['decimal_mark'],
            array_filter(array_intersect_key($stored['fixed'] ?? [], $kind->fields()), static fn (string $value): bool => $value !== ''),
            Habit::tryFrom($stored['habit'] ?? '') ?? Habit::House,
            array_filter($stored['words'] ?? [], static fn (string $kind): bool => Kind::tryFrom($kind) !== null),
        );
    }
}
