<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\DateOrder;
use Ajuste\Core\Exchange\Field;
use Ajuste\Core\Exchange\FieldType;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Habit;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Money\Currency;

/**
 * Guesses what a foreign list is and how it is written: by the words above its columns, and by whether what stands below fits them. What
 * the list leaves open is asked, never taken for the next best.
 */
final class ForeignGuess
{
    private const KINDS = [FileKind::Items, FileKind::Ledger, FileKind::BankLines, FileKind::Customers, FileKind::Rates];

    /**
     * What speaks for a kind, the more the less it is met elsewhere.
     *
     * @var array<string, array<string, float|int>>
     */
    private const WEIGHTS = [
        'items' => ['document' => 2, 'customer' => 2, 'name' => 1, '+above' => 2, 'date' => 1, 'due_date' => 3,
            'amount' => 1, '+open' => 3, 'kind' => 2],
        'ledger' => ['account' => 3, 'date' => 1, 'debit' => 1.5, 'credit' => 1.5, 'amount' => 1, 'entry' => 2, 'description' => 0.5],
        'bank_lines' => ['date' => 1, 'amount' => 1, 'money_in' => 1, 'money_out' => 1, 'text' => 1, 'balance' => 3, 'value_date' => 2,
            'party' => 1, 'party_account' => 1],
        'customers' => ['customer' => 2, 'name' => 2, 'email' => 2, 'tax_id' => 2, 'country' => 1, 'terms' => 1, 'credit_limit' => 2,
            'iban' => 1, 'group' => 1],
        'rates' => ['date' => 1, 'currency' => 2, 'rate' => 3],
    ];

    /**
     * Fields of which one of each set has to be there.
     *
     * @var array<string, list<list<string>>>
     */
    private const NEEDED = [
        'items' => [['document'], ['customer', 'name', '+above'], ['date'], ['amount', '+open', 'debit']],
        'ledger' => [['account'], ['date'], ['debit', 'amount'], ['entry', 'document']],
        'bank_lines' => [['date'], ['amount', 'money_in'], ['text', 'party']],
        'customers' => [['customer'], ['name']],
        'rates' => [['date'], ['currency'], ['rate']],
    ];

    /** The share of cells that have to be what their column says. */
    private const FITS = 0.8;

    /** Below this lead over the next kind it is asked. */
    private const LEAD = 1.0;

    private const HEADING_LINES = 25;

    /** A kind of document is a short word, and a list has few of them. */
    private const KIND_WORD = 24;

    private const KIND_WORDS = 12;

    /**
     * @param list<list<string>> $head the first lines of the file
     * @param ?FileKind $named what the file's name says it is
     */
    public static function of(array $head, ?FileKind $named): ?Mapping
    {
        $scores = [];
        foreach ($named !== null && in_array($named, self::KINDS, true) ? [$named] : self::KINDS as $kind) {
            foreach (array_slice($head, 0, self::HEADING_LINES) as $line => $cells) {
                $columns = self::columns($kind, $cells, array_slice($head, $line + 1));
                if ($columns !== null) {
                    $score = array_sum(array_intersect_key(self::weights($kind), $columns)) - $line / 1000;
                    if (! isset($scores[$kind->value]) || $score > $scores[$kind->value][0]) {
                        $scores[$kind->value] = [$score, $kind, $line, $columns];
                    }
                }
            }
        }
        // A list of items or postings names customers and accounts too.
        if (isset($scores['customers']) && (isset($scores['items']) || isset($scores['ledger']))) {
            unset($scores['customers']);
        }
        usort($scores, static fn (array $one, array $other): int => $other[0] <=> $one[0]);
        if ($scores === [] || (isset($scores[1]) && $scores[0][0] - $scores[1][0] < self::LEAD)) {
            return null;
        }
        [, $kind, $line, $columns] = $scores[0];
        $rows = self::rows(array_slice($head, $line + 1), $head[$line], $columns);

        return new Mapping(
            $kind,
            $line + 1,
            $columns,
            self::dates($kind, $columns, $rows)[0] ?? DateOrder::YearMonthDay,
            self::decimalMark($kind, $columns, $rows) === ',' ? ',' : '.',
            [],
            Habit::Foreign,
        );
    }

    /**
     * What a person has to say before the file can be read.
     *
     * @param list<list<string>> $head the first lines of the file
     * @return list<string> questions; none where the file says it all
     */
    public static function leavesOpen(Mapping $mapping, array $head): array
    {
        $headings = $head[$mapping->headerRow - 1] ?? [];
        $rows = self::rows(array_slice($head, $mapping->headerRow), $headings, $mapping->columns);
        $questions = [];
        if (count(self::dates($mapping->kind, $mapping->columns, $rows)) > 1) {
            $questions[] = 'The dates can be read as day and month or as month and day.';
        }
        if (self::decimalMark($mapping->kind, $mapping->columns, $rows) === '?') {
            $questions[] = 'The amounts can be read with a mark before decimals or between thousands.';
        }
        $words = self::unknownKinds($mapping, $rows);
        if ($words !== []) {
            $questions[] = 'What these kinds of documents are is not known here: '.implode(', ', $words).'.';
        }
        foreach ($mapping->columns as $column) {
            $same = array_keys($headings, $headings[$column] ?? '', true);
            if (count($same) > 1 && self::differ($rows, $same)) {
                $questions[] = "There are two columns “{$headings[$column]}”.";
            }
        }

        return array_values(array_unique($questions));
    }

    /**
     * Words of a list for kinds of documents that nobody has said the meaning of.
     *
     * @param list<list<string>> $rows
     * @return list<string>
     */
    public static function unknownKinds(Mapping $mapping, array $rows): array
    {
        $column = $mapping->kind === FileKind::Items ? $mapping->columns['kind'] ?? null : null;
        $words = [];
        foreach ($column === null ? [] : $rows as $cells) {
            $word = trim($cells[$column] ?? '');
            if ($word !== '' && $mapping->kindOf($word) === null && ($mapping->columns['+above'] ?? -1) !== $column) {
                $words[PlainWords::of($word)] ??= $word;
            }
        }

        return array_values($words);
    }

    /**
     * Each column fills at most one field, and what stands below has to fit.
     *
     * @param list<string> $cells
     * @param list<list<string>> $below
     * @return ?array<string, int> null where the kind's fields are not there
     */
    private static function columns(FileKind $kind, array $cells, array $below): ?array
    {
        $found = Headings::of($kind, $cells);
        if (! self::suffices($kind, $kind === FileKind::Items ? $found + ['+above' => []] : $found)) {
            return null;
        }
        $columns = $taken = [];
        $rows = $kind === FileKind::Items ? LineAbove::without($below) : $below;
        foreach (array_unique([...array_keys(self::weights($kind)), ...array_keys($found)]) as $field) {
            foreach ($found[$field] ?? [] as $column) {
                if (! isset($taken[$column]) && self::fits($kind, $field, $column, $rows, $cells)) {
                    $columns[$field] = $column;
                    $taken[$column] = true;
                    break;
                }
            }
        }

        if (count(self::unknownKinds(new Mapping($kind, 1, $columns), $below)) > self::KIND_WORDS) {
            unset($columns['kind']);
        }
        if ($kind === FileKind::Items && ! isset($columns['customer']) && ! isset($columns['name'])) {
            $above = LineAbove::column($below, $cells, $columns);
            $columns += $above === null ? [] : ['+above' => $above];
        }

        return self::suffices($kind, $columns) ? $columns : null;
    }

    /** @param  array<string, mixed>  $columns by field */
    private static function suffices(FileKind $kind, array $columns): bool
    {
        foreach (self::NEEDED[$kind->value] ?? [] as $one) {
            if (array_intersect_key($columns, array_flip($one)) === []) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<list<string>> $below
     * @param list<string> $headings
     */
    private static function fits(FileKind $kind, string $field, int $column, array $below, array $headings): bool
    {
        $seen = $good = 0;
        foreach ($below as $cells) {
            $text = trim($cells[$column] ?? '');
            if ($text === '' || PrintLine::isRule($text) || PrintLine::is($cells, $headings, [])) {
                continue;
            }
            $seen++;
            $good += match (true) {
                self::isDate($kind, $field) => self::isDay($text),
                self::isAmount($kind, $field) => ForeignAmount::of($text) !== null,
                $field === 'currency' => Currency::isKnown(strtoupper($text)) || isset(ForeignAmount::SYMBOLS[$text]),
                // Words that are not known are asked; a column of many is none of kinds.
                $field === 'kind' => KindWords::kind($text) !== null || mb_strlen($text) <= self::KIND_WORD,
                $field === '+marker' => in_array($text, ['+', '-'], true) || ForeignAmount::side($text) !== null,
                // A number or name, not an amount with decimals and not a day.
                in_array($field, ['document', 'customer', 'account', 'name', 'text'], true) => ! self::isWritten($text),
                default => true,
            } ? 1 : 0;
        }

        return $seen === 0 ? ! in_array($field, ['document', 'customer', 'date', 'account'], true) : $good >= $seen * self::FITS;
    }

    /** @return array<string, float|int> */
    private static function weights(FileKind $kind): array
    {
        return self::WEIGHTS[$kind->value] ?? [];
    }

    private static function isWritten(string $text): bool
    {
        return preg_match('~^\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4}$~D', $text) === 1
            || preg_match('/^[-(]?[\d.,\' ]*\d[.,]\d{2}\)?-?$/D', $text) === 1;
    }

    /** Whether it is a day in any order that is read. */
    public static function isDay(string $text): bool
    {
        foreach (DateOrder::cases() as $order) {
            if (ForeignDate::iso($text, $order) !== null) {
                return true;
            }
        }

        return false;
    }

    private static function isDate(FileKind $kind, string $field): bool
    {
        return ($kind->fields()[$field] ?? null)?->type === FieldType::Date;
    }

    private static function isAmount(FileKind $kind, string $field): bool
    {
        $type = ($kind->fields()[$field] ?? null)?->type;

        return in_array($field, ['+open', 'debit', 'credit', 'amount'], true)
            || in_array($type, [FieldType::Amount, FieldType::Number], true);
    }

    /**
     * The rows of the list, without what is only printed.
     *
     * @param list<list<string>> $below
     * @param list<string> $headings
     * @param array<string, int> $columns
     * @return list<list<string>>
     */
    private static function rows(array $below, array $headings, array $columns): array
    {
        $needed = array_values(array_intersect_key($columns, array_flip(['document', 'date', 'account', 'customer'])));

        $found = [];
        foreach ($below as $cells) {
            $isAbove = isset($columns['+above']) && LineAbove::of($cells, $headings, $columns) !== null;
            if (! $isAbove && ! PrintLine::is($cells, $headings, $needed)) {
                $found[] = $cells;
            }
        }

        return $found;
    }

    /**
     * The orders in which every date is one, and that differ in what they say.
     *
     * @param array<string, int> $columns
     * @param list<list<string>> $rows
     * @return list<DateOrder>
     */
    private static function dates(FileKind $kind, array $columns, array $rows): array
    {
        $fields = array_keys(array_filter($kind->fields(), static fn (Field $field): bool => $field->type === FieldType::Date));
        $fitting = [];
        foreach (DateOrder::cases() as $order) {
            $seen = $good = 0;
            $said = '';
            foreach ($rows as $cells) {
                foreach (array_intersect_key($columns, array_flip($fields)) as $column) {
                    $text = trim($cells[$column] ?? '');
                    $day = $text === '' ? null : ForeignDate::iso($text, $order);
                    $seen += $text === '' ? 0 : 1;
                    $good += $day === null ? 0 : 1;
                    $said .= $day ?? '';
                }
            }
            if ($seen > 0 && $good >= $seen * 0.95) {
                $fitting[hash('xxh3', $said)] ??= [$good, $order];
            }
        }
        usort($fitting, static fn (array $one, array $other): int => $other[0] <=> $one[0]);
        $most = $fitting[0][0] ?? 0;

        return array_values(array_map(
            static fn (array $of): DateOrder => $of[1],
            array_filter($fitting, static fn (array $of): bool => $of[0] === $most),
        ));
    }

    /**
     * By every amount of the file: what some show holds for all.
     *
     * @param array<string, int> $columns
     * @param list<list<string>> $rows
     * @return string a point, a comma, blank where no amount has a mark, or a question mark where all can be read in both ways
     */
    private static function decimalMark(FileKind $kind, array $columns, array $rows): string
    {
        $shown = ['.' => 0, ',' => 0, '?' => 0, '' => 0];
        foreach ($rows as $cells) {
            $code = strtoupper(trim($cells[$columns['currency'] ?? -1] ?? ''));
            foreach ($columns as $field => $column) {
                $amount = self::isAmount($kind, $field) ? ForeignAmount::of($cells[$column] ?? '') : null;
                if ($amount !== null) {
                    $own = $amount->currency !== '' ? $amount->currency : $code;
                    $shown[$amount->shows(Currency::isKnown($own) ? Currency::of($own)->decimals : 2)]++;
                }
            }
        }

        return match (true) {
            $shown[','] > 0 && $shown['.'] > 0 => min($shown[','], $shown['.']) * 10 < max($shown[','], $shown['.'])
                ? ($shown[','] > $shown['.'] ? ',' : '.')
                : '?',
            $shown[','] > 0 => ',',
            $shown['.'] > 0 => '.',
            default => $shown['?'] > 0 ? '?' : '',
        };
    }

    /**
     * @param list<list<string>> $rows
     * @param list<int> $columns
     */
    private static function differ(array $rows, array $columns): bool
    {
        foreach ($rows as $cells) {
            if (count(array_unique(array_map(static fn (int $column): string => trim($cells[$column] ?? ''), $columns))) > 1) {
                return true;
            }
        }

        return false;
    }
}
