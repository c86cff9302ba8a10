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
use Ajuste\Core\Subledger\Kind;

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
            'amount' => 1, '+open' => 3, 'kind' => 2, 'debit' => 1, 'credit' => 1],
        'ledger' => ['account' => 3, 'date' => 1, 'debit' => 1.5, 'credit' => 1.5, 'amount' => 1, 'entry' => 2, 'description' => 1],
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

    /** Below this lead over the next kind it is asked. */
    private const LEAD = 1.0;

    private const HEADING_LINES = 25;

    /** A list has few kinds of documents. */
    private const KIND_WORDS = 12;

    /** Fewer columns that say something make no row of headings. */
    private const FEWEST = 2;

    /** In a list of customers each stands once. */
    private const CUSTOMERS_OWN = 0.98;

    /**
     * @param list<list<string>> $head the first lines of the file
     * @param ?FileKind $named what the file's name says it is
     */
    public static function of(array $head, ?FileKind $named): ?Mapping
    {
        $best = [];
        $kinds = $named !== null && in_array($named, self::KINDS, true) ? [$named] : self::KINDS;
        foreach (array_slice($head, 0, self::HEADING_LINES) as $line => $cells) {
            $list = ForeignColumns::below($cells, array_slice($head, $line + 1));
            if ($list === null) {
                continue;
            }
            foreach ($kinds as $kind) {
                $columns = self::columns($kind, $list);
                $score = $columns === null ? 0.0 : self::score($kind, $columns, $list) - $line / 1000;
                if ($columns !== null && $score > ($best[$kind->value][0] ?? 0.0)) {
                    $best[$kind->value] = [$score, $kind, $line, self::inOrder($kind, $columns)];
                }
            }
        }
        // A list of items or postings names customers and accounts too.
        if (isset($best['customers']) && (isset($best['items']) || isset($best['ledger']))) {
            unset($best['customers']);
        }
        usort($best, static fn (array $one, array $other): int => $other[0] <=> $one[0]);
        if ($best === [] || (isset($best[1]) && $best[0][0] - $best[1][0] < self::LEAD)) {
            return null;
        }
        [, $kind, $line, $columns] = $best[0];
        $rows = self::rows(array_slice($head, $line + 1), $head[$line], $columns);

        return new Mapping(
            $kind,
            $line + 1,
            $columns,
            self::dates($kind, $columns, $rows)[0] ?? DateOrder::YearMonthDay,
            self::decimalMark($kind, $columns, $rows) === ',' ? ',' : '.',
            self::saidAbove($kind, $columns, $head[$line]),
            Habit::Foreign,
            self::kindsOfList($kind, $columns, $rows),
        );
    }

    /**
     * @param array<string, array{int, float}> $columns
     * @return array<string, int> in the order of the kind's fields
     */
    private static function inOrder(FileKind $kind, array $columns): array
    {
        $found = [];
        foreach ([...array_keys($kind->fields()), ...$kind->foreignFields()] as $field) {
            $found += isset($columns[$field]) ? [$field => $columns[$field][0]] : [];
        }

        return $found;
    }

    /**
     * What speaks for the kind, the surer the columns the more.
     *
     * @param array<string, array{int, float}> $columns
     */
    private static function score(FileKind $kind, array $columns, ForeignColumns $list): float
    {
        // Nothing but an open item is late.
        $score = $kind === FileKind::Items && $list->speaksOf(Concept::Days) ? 1.0 : 0.0;
        foreach (array_intersect_key(self::WEIGHTS[$kind->value] ?? [], $columns) as $field => $weight) {
            $score += $weight * min(1.0, $columns[$field][1]);
        }

        return $score;
    }

    /**
     * What words for kinds of documents say in the language of the list.
     *
     * @param array<string, int> $columns
     * @param list<list<string>> $rows
     * @return array<string, string> kinds by plain word
     */
    private static function kindsOfList(FileKind $kind, array $columns, array $rows): array
    {
        $column = $kind === FileKind::Items ? $columns['kind'] ?? null : null;
        $words = $column === null ? [] : array_map(static fn (array $cells): string => trim($cells[$column] ?? ''), $rows);

        return array_map(static fn (Kind $of): string => $of->value, KindWords::inList(array_values(array_unique(array_filter($words)))));
    }

    /**
     * The currency of the amounts, where only their heading says it.
     *
     * @param array<string, int> $columns
     * @param list<string> $headings
     * @return array<string, string>
     */
    private static function saidAbove(FileKind $kind, array $columns, array $headings): array
    {
        $fields = $kind === FileKind::Items ? ['+open', 'amount', 'debit', 'credit'] : [];
        $said = [];
        foreach (isset($columns['currency']) ? [] : array_intersect_key($columns, array_flip($fields)) as $column) {
            $said[] = Headings::currency($headings[$column]);
        }
        $said = array_values(array_unique(array_filter($said)));

        return count($said) === 1 ? ['currency' => $said[0]] : [];
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
        foreach (self::paidBeside($mapping, $headings, $rows) as $heading) {
            $questions[] = "Whether “{$heading}” is what was paid of each amount, so that only the rest is open.";
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
     * Columns of what was paid, beside amounts of which nothing says what is open.
     *
     * @param list<string> $headings
     * @param list<list<string>> $rows
     * @return list<string> their headings
     */
    private static function paidBeside(Mapping $mapping, array $headings, array $rows): array
    {
        if ($mapping->kind !== FileKind::Items || ! isset($mapping->columns['amount']) || isset($mapping->columns['+open'])) {
            return [];
        }
        $isPaid = static fn (string $heading): bool => in_array(Concept::Payment, array_merge(...TradeWords::of($heading)), true);
        $found = [];
        foreach (array_diff_key(array_filter($headings, $isPaid), array_flip($mapping->columns)) as $column => $heading) {
            $cells = array_filter(array_map(static fn (array $cells): string => trim($cells[$column] ?? ''), $rows));
            $amounts = new ColumnCells(array_values($cells));
            if ($amounts->areWrittenAmounts() && preg_match('/[1-9]/', implode('', $cells)) === 1) {
                $found[] = $heading;
            }
        }

        return $found;
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
     * The surest column for each field; each column fills at most one. What no heading says is taken from what stands below, where only
     * one column can be meant.
     *
     * @return ?array<string, array{int, float}> column and how sure it is, by field; null where the kind's fields are not there
     */
    private static function columns(FileKind $kind, ForeignColumns $list): ?array
    {
        $columns = $list->byHeadings($kind);
        if (count($columns) < self::FEWEST) {
            return null;
        }
        $columns = (new UnnamedColumns($list))->addTo($kind, $columns);
        $plain = array_map(static fn (array $of): int => $of[0], $columns);
        if ($kind === FileKind::BankLines && $list->isNoStatement()) {
            return null;
        }
        $rows = self::rows($list->below, $list->headings, $plain);
        if (count(self::unknownKinds(new Mapping($kind, 1, $plain), $rows)) > self::KIND_WORDS) {
            unset($columns['kind'], $plain['kind']);
        }
        if ($kind === FileKind::Items && ! isset($columns['customer']) && ! isset($columns['name'])) {
            $above = LineAbove::column($list->below, $list->headings, $plain);
            $columns += $above === null ? [] : ['+above' => [$above, 1.0]];
        }
        // A number that stands in several rows is that of an account or of a customer in a list of something else.
        $isRepeated = $kind === FileKind::Customers && isset($plain['customer'])
            && $list->cells($plain['customer'])->ownShare() < self::CUSTOMERS_OWN;

        return ! $isRepeated && self::suffices($kind, $columns) ? $columns : null;
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
