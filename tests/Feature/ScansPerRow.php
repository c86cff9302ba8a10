<?php

declare(strict_types=1);

namespace Tests\Feature;

use PDO;

/**
 * Finds what grows with the square of the books: a query in which a table of many rows is read from end to end for each row of another.
 * SQLite says in advance how it will go about a query, whatever the tables hold.
 */
final class ScansPerRow
{
    /** Tables that grow with the work of years. */
    private const LARGE = [
        'audit_records', 'customers', 'item_lines', 'item_positions', 'items', 'match_reversals', 'matches', 'money_lines', 'placements',
        'postings', 'run_left_out', 'run_lines', 'run_settlements', 'settlements', 'supplier_contra_bills', 'supplier_contras',
        'supplier_items', 'supplier_matches', 'vouchers',
    ];

    /** @return list<string> what SQLite says of each such table */
    public static function of(PDO $books, string $sql): array
    {
        $explained = $books->prepare("EXPLAIN QUERY PLAN {$sql}");
        $explained->execute();
        $steps = [];
        foreach ($explained->fetchAll(PDO::FETCH_NUM) as [$id, $parent, , $says]) {
            $steps[(int) $parent][(int) $id] = (string) $says;
        }
        $found = [];
        foreach ($steps as $parent => $children) {
            $isPerRow = str_starts_with(self::step($steps, $parent), 'CORRELATED');
            foreach ($children as $says) {
                if ($isPerRow && preg_match('/^SCAN (\w+)/', $says, $of) === 1 && in_array(self::table($of[1], $sql), self::LARGE, true)) {
                    $found[] = $says;
                }
                $isLoop = preg_match('/^(SCAN (?!CONSTANT)|SEARCH )/', $says) === 1;
                $isPerRow = $isPerRow || ($isLoop && ! str_contains($says, 'INTEGER PRIMARY KEY (rowid=?)'));
            }
        }

        return $found;
    }

    /** @param  array<int, array<int, string>>  $steps */
    private static function step(array $steps, int $id): string
    {
        foreach ($steps as $children) {
            if (isset($children[$id])) {
                return $children[$id];
            }
        }

        return '';
    }

    /** The table that has a name in a query. */
    private static function table(string $name, string $sql): string
    {
        $as = preg_match('/\b(?:from|join|,)\s+(?:main\.|prepared\.)?"?(\w+)"?\s+(?:as\s+)?"?'.$name.'"?\b/i', $sql, $of) === 1;

        return $as && ! in_array(strtolower($of[1]), ['from', 'join', 'cross', 'left', 'inner'], true) ? $of[1] : $name;
    }
}
