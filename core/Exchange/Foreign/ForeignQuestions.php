<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Mapping;

/** What a list leaves open is asked, never taken for the next best. */
final class ForeignQuestions
{
    /** A document is in one of a few states. */
    private const STATES = 5;

    /**
     * What a person has to say before the file can be read.
     *
     * @param list<list<string>> $head the first lines of the file
     * @return list<string> questions; none where the file says it all
     */
    public static function of(Mapping $mapping, array $head): array
    {
        $headings = $head[$mapping->headerRow - 1] ?? [];
        $rows = ForeignRows::of(array_slice($head, $mapping->headerRow), $headings, $mapping->columns);
        $questions = [];
        if (count(WrittenHow::dates($mapping->kind, $mapping->columns, $rows)) > 1) {
            $questions[] = 'The dates can be read as day and month or as month and day.';
        }
        if (WrittenHow::decimalMark($mapping->kind, $mapping->columns, $rows) === '?') {
            $questions[] = 'The amounts can be read with a mark before decimals or between thousands.';
        }
        $words = self::unknownKinds($mapping, $rows);
        if ($words !== []) {
            $questions[] = 'What these kinds of documents are is not known here: '.implode(', ', $words).'.';
        }
        foreach (self::paidBeside($mapping, $headings, $rows) as $heading) {
            $questions[] = "Whether “{$heading}” says what was paid already, so that only the rest is open.";
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
        $found = [];
        foreach (array_diff_key($headings, array_flip($mapping->columns)) as $column => $heading) {
            $cells = new ColumnCells(array_values(array_filter(
                array_map(static fn (array $cells): string => trim($cells[$column] ?? ''), $rows),
                static fn (string $cell): bool => $cell !== '',
            )));
            if (self::arePaid($heading, $cells) || self::areStates($cells)) {
                $found[] = $heading;
            }
        }

        return $found;
    }

    private static function arePaid(string $heading, ColumnCells $cells): bool
    {
        return in_array(Concept::Payment, array_merge(...TradeWords::of($heading)), true)
            && $cells->areWrittenAmounts() && preg_match('/[1-9]/', implode('', $cells->all())) === 1;
    }

    /** Words such as paid and open: what is paid is no open item. */
    private static function areStates(ColumnCells $cells): bool
    {
        $words = array_values(array_unique($cells->all()));
        $meant = array_map(static fn (string $word): array => array_merge(...TradeWords::of($word)), $words);
        $says = static fn (Concept $of): array => array_filter($meant, static fn (array $concepts): bool => in_array($of, $concepts, true));

        return count($words) > 1 && count($words) <= self::STATES && $cells->areWords()
            && $says(Concept::Payment) !== [] && count($says(Concept::Payment) + $says(Concept::Open)) === count($words);
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
