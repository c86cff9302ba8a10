<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\DB;
use PDOException;
use RuntimeException;

/** Transactions within another: what SQLite does of them, and what they leave behind. */
final class BooksConnectionTest extends BooksTestCase
{
    private static function key(string $key): void
    {
        DB::table('posting_keys')->insert(['key' => $key, 'result' => '1', 'recorded_at' => '2026-11-01T10:00:00.000000Z']);
    }

    public function test_one_that_ends_leaves_no_savepoint(): void
    {
        DB::transaction(static function (): void {
            DB::transaction(static fn () => self::key('inner'));
            self::assertNoSavepoint();
            self::key('outer');
        });
        self::assertSame(['inner', 'outer'], DB::table('posting_keys')->orderBy('key')->pluck('key')->all());
    }

    public function test_one_that_fails_is_taken_back_by_itself_and_leaves_none(): void
    {
        DB::transaction(static function (): void {
            self::key('outer');
            foreach ([1, 2] as $time) {
                try {
                    DB::transaction(static function (): void {
                        DB::transaction(static fn () => self::key('innermost'));
                        self::key('inner');
                        throw new RuntimeException('no');
                    });
                } catch (RuntimeException) {
                    self::assertNoSavepoint();
                }
            }
        });
        self::assertSame(['outer'], DB::table('posting_keys')->pluck('key')->all());
    }

    private static function assertNoSavepoint(): void
    {
        try {
            DB::connection()->getPdo()->exec('RELEASE SAVEPOINT trans2');
            self::fail('A savepoint stands.');
        } catch (PDOException $none) {
            self::assertStringContainsString('no such savepoint', $none->getMessage());
        }
    }
}
