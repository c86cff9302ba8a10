<?php

declare(strict_types=1);

namespace App\Models;

use Closure;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;

/**
 * The people who open books, in one file beside them: one password and one second factor for all books of a shelf. What a person may do
 * stands in each books by itself.
 */
final class PeopleFile
{
    private const CONNECTION = 'people';

    private const TABLES = [
        "CREATE TABLE people (
            id INTEGER PRIMARY KEY,
            email TEXT NOT NULL UNIQUE,
            name TEXT NOT NULL,
            password TEXT NOT NULL DEFAULT '',              -- blank: none yet
            second_factor TEXT,                             -- encrypted; null: none
            second_factor_step INTEGER NOT NULL DEFAULT 0   -- of the last code that was taken
        )",
        'CREATE TABLE recovery_codes (
            id INTEGER PRIMARY KEY,
            person_id INTEGER NOT NULL REFERENCES people (id),
            digest TEXT NOT NULL,
            used_at TEXT
        )',
        'CREATE TABLE sign_in_links (
            id INTEGER PRIMARY KEY,
            person_id INTEGER NOT NULL REFERENCES people (id),
            digest TEXT NOT NULL UNIQUE,
            holds_until TEXT NOT NULL,
            used_at TEXT
        )',
        'CREATE TABLE shelf (
            slug TEXT PRIMARY KEY,                          -- in the address of its pages
            file TEXT NOT NULL UNIQUE                       -- from the folder of this file
        )',
        'CREATE TABLE passes (
            digest TEXT PRIMARY KEY,
            person_id INTEGER NOT NULL REFERENCES people (id),
            slug TEXT NOT NULL,                             -- of the books that it opens
            holds_until TEXT NOT NULL
        )',
    ];

    /** Made where there is none. */
    public static function open(): Connection
    {
        $file = self::path(DB::connection('books')->getDatabaseName());
        if (config('database.connections.'.self::CONNECTION.'.database') !== $file) {
            config(['database.connections.'.self::CONNECTION => [
                'driver' => 'sqlite', 'database' => $file, 'prefix' => '', 'foreign_key_constraints' => true, 'busy_timeout' => 5000,
                'journal_mode' => 'WAL', 'transaction_mode' => 'IMMEDIATE',
            ]]);
            DB::purge(self::CONNECTION);
        }
        if (! is_file($file)) {
            touch($file);
            chmod($file, 0600);
        }
        $connection = DB::connection(self::CONNECTION);
        if (filesize($file) === 0) {
            $connection->transaction(static function (Connection $people): void {
                foreach ($people->table('sqlite_master')->where('name', 'people')->exists() ? [] : self::TABLES as $table) {
                    $people->statement($table);
                }
            });
            clearstatcache(true, $file);
        }

        return $connection;
    }

    /** Beside the books, unless a file that bears their name says where. */
    public static function path(string $books): string
    {
        $said = trim((string) @file_get_contents("{$books}.people"));

        return match (true) {
            $said === '' => dirname($books).'/people.sqlite',
            str_starts_with($said, '/') => $said,
            str_starts_with($said, '../') => dirname($books, 2).substr($said, 2),
            default => dirname($books)."/{$said}",
        };
    }

    /**
     * @template T
     *
     * @param Closure(): T $do
     * @return T
     */
    public static function transaction(Closure $do): mixed
    {
        return self::open()->transaction($do);
    }

    /**
     * Takes over what books of earlier versions say of their people; who is known already stays as known.
     *
     * @param list<array{email: string, name: string, password: string, second_factor: ?string, second_factor_step: int}> $people
     */
    public static function takeOver(array $people): void
    {
        if ($people !== []) {
            self::open()->table('people')->insertOrIgnore($people);
        }
    }
}
