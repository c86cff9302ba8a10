<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\DB;

final class ScansPerRowTest extends BooksTestCase
{
    /** @return list<string> */
    private static function scans(string $sql): array
    {
        return ScansPerRow::of(DB::connection()->getPdo(), $sql);
    }

    public function test_a_large_table_that_is_read_for_each_row_of_another_is_found(): void
    {
        self::assertSame(['SCAN m'], self::scans('SELECT l.id FROM run_lines l WHERE EXISTS (SELECT 1 FROM matches AS m '
            .'WHERE l.item_id IN (m.debit_item_id, m.credit_item_id))'));
        self::assertSame(['SCAN p'], self::scans('SELECT 1 FROM items i CROSS JOIN "postings" AS "p" WHERE i.amount < p.base'));
    }

    public function test_what_has_an_index_or_is_read_once_or_is_small_is_not(): void
    {
        self::assertSame([], self::scans('SELECT l.id FROM run_lines l '
            .'WHERE EXISTS (SELECT 1 FROM matches m WHERE m.debit_item_id = l.item_id)'));
        self::assertSame([], self::scans('SELECT sum(base) FROM postings WHERE base > 0'));
        self::assertSame([], self::scans('SELECT 1 FROM runs r JOIN run_lines l WHERE r.id = 1 AND l.amount > r.total'));
        self::assertSame([], self::scans('SELECT 1 FROM items i CROSS JOIN accounts a WHERE i.amount > a.id'));
    }
}
