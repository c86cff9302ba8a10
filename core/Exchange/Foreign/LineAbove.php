<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\Mapping;

/** In a grouped list the customer stands once, in a line of its own above its documents (common practice). */
final class LineAbove
{
    /** What stands before the number or name in such a line. */
    private const LABELS = 'customer|account|client|debtor|cliente|deudor|cuenta|kunde|debitor|konto|compte|conto|conta|klant|debiteur';

    /** Whatever stands before a colon. */
    private const ANY_LABEL = '/^\p{L}[^:]{1,40}:\s*(?=\S)/u';

    /** More cells than a number, a name and a place make a row. */
    private const MOST = 3;

    private const FIGURES = ['date', 'due_date', 'amount', '+open', 'debit', 'credit', 'base_amount'];

    /**
     * Number and name as the line has them, without what stands before them; null where the line names nobody.
     *
     * @param list<string> $cells
     * @param list<string> $headings
     * @param array<string, int> $columns by field
     */
    public static function of(array $cells, array $headings, array $columns): ?string
    {
        $filled = array_filter(self::filled($cells), static fn (string $cell): bool => ! PrintLine::isRule($cell));
        $figures = array_filter(
            array_intersect_key($filled, array_flip(array_intersect_key($columns, array_flip(self::FIGURES)))),
            static fn (string $cell): bool => ForeignAmount::of($cell) !== null || ForeignGuess::isDay($cell),
        );
        if ($filled === [] || count($filled) > self::MOST || $figures !== []) {
            return null;
        }
        $text = implode(' ', $filled);
        if (PrintLine::begins($text) || PrintLine::is($cells, $headings, []) || preg_match('/\p{L}|\d{3}/u', $text) !== 1) {
            return null;
        }
        $label = '/^(?:'.self::LABELS.')\b\.?(?:\s*(?:no|nr|number|nummer|num|n[º°o]?)\b\.?)?\s*[:#.-]?\s*(?=\S)/iu';

        return trim((string) preg_replace([self::ANY_LABEL, $label], '', $text)) ?: $text;
    }

    /**
     * Lines that have more cells than such a line; all where none has.
     *
     * @param list<list<string>> $lines
     * @return list<list<string>>
     */
    public static function without(array $lines): array
    {
        return array_values(array_filter($lines, static fn (array $cells): bool => count(self::filled($cells)) > self::MOST)) ?: $lines;
    }

    /**
     * The column in which such lines begin; null where the list is not grouped: its first row has none above it, or it has one line.
     *
     * @param list<list<string>> $below the lines below the headings
     * @param list<string> $headings
     * @param array<string, int> $columns by field
     */
    public static function column(array $below, array $headings, array $columns): ?int
    {
        $column = null;
        $lines = 0;
        foreach ($below as $cells) {
            if (self::of($cells, $headings, $columns) !== null) {
                $column ??= (int) array_key_first(self::filled($cells));
                $lines++;
            } elseif ($column === null && ! PrintLine::is($cells, $headings, [$columns['date'] ?? 0])) {
                return null;
            }
        }

        return $lines > 1 ? $column : null;
    }

    /**
     * @param list<string> $cells
     * @return array<int, string> by column
     */
    private static function filled(array $cells): array
    {
        return array_filter(array_map(trim(...), $cells), static fn (string $cell): bool => $cell !== '');
    }

    /**
     * @param list<string> $cells
     * @param list<string> $headings
     */
    public static function read(Mapping $mapping, array $cells, array $headings): ?string
    {
        return isset($mapping->columns['+above']) ? self::of($cells, $headings, $mapping->columns) : null;
    }
}
