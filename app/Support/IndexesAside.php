<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Support\Facades\DB;

/**
 * In a copy of the books: indexes by which nothing is looked up while files come in are left out meanwhile and made again at once, which
 * costs less than keeping them row by row. Where the books have more rows than the files, making them again would cost more.
 */
final class IndexesAside
{
    private const ASIDE = [
        'items_account_date', 'items_account_document', 'items_currency', 'items_customer', 'items_naming_entries', 'positions_account',
        'positions_customer', 'positions_moved', 'postings_account_document', 'postings_document',
    ];

    /** About what a row of a file takes, in bytes. */
    private const ROW = 60;

    /**
     * @template T
     *
     * @param int $bytes of the files
     * @param Closure(): T $take
     * @param bool $again whether anything is looked up by them afterwards; a copy that is thrown away may do without
     * @return T
     */
    public static function while(int $bytes, Closure $take, bool $again = true): mixed
    {
        $held = (int) DB::table('items')->max('id') + (int) DB::table('postings')->max('id');
        $indexes = ! CopyOfBooks::isAtHand() || intdiv($bytes, self::ROW) < $held
            ? []
            : DB::table('sqlite_master')->where('type', 'index')->whereIn('name', self::ASIDE)->pluck('sql', 'name')->all();
        array_map(static fn (string $name) => DB::statement("DROP INDEX {$name}"), array_keys($indexes));
        $taken = $take();
        array_map(static fn (string $sql) => DB::statement($sql), $again ? $indexes : []);

        return $taken;
    }
}
