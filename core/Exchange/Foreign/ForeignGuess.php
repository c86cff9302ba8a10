<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\DateOrder;
use Ajuste\Core\Exchange\Field;
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
        $rows = ForeignRows::of(array_slice($head, $line + 1), $head[$line], $columns);

        return new Mapping(
            $kind,
            $line + 1,
            $columns,
            WrittenHow::dates($kind, $columns, $rows)[0] ?? DateOrder::YearMonthDay,
            WrittenHow::decimalMark($kind, $columns, $rows) === ',' ? ',' : '.',
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
        $columns = (new UnnamedColumns($list))->addTo($kind, (new CorrectedColumns($list))->of($kind, $columns));
        $plain = array_map(static fn (array $of): int => $of[0], $columns);
        if (Misfit::is($kind, $list, $plain)) {
            return null;
        }
        $rows = ForeignRows::of($list->below, $list->headings, $plain);
        if (count(ForeignQuestions::unknownKinds(new Mapping($kind, 1, $plain), $rows)) > self::KIND_WORDS) {
            unset($columns['kind'], $plain['kind']);
        }
        if ($kind === FileKind::Items && ! isset($columns['customer']) && ! isset($columns['name'])) {
            $above = LineAbove::column($list->below, $list->headings, $plain);
            $columns += $above === null ? [] : ['+above' => [$above, 1.0]];
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
}
