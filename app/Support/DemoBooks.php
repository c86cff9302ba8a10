<?php

declare(strict_types=1);

namespace App\Support;

use Ajuste\Core\Refusal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use PDOException;

/** The books that the demo makes: it touches no others, and its password opens no others. */
final class DemoBooks
{
    public const PASSWORD = 'olive-press';

    public const PEOPLE = [
        ['Ainhoa Peralejo', 'preparer@example.invalid', 'preparer'],
        ['Bruno Castañar', 'reviewer@example.invalid', 'reviewer'],
        ['Carmela Ojosnegros', 'reader@example.invalid', 'reader'],
    ];

    private const MARK = 'made by the demo';

    public static function mark(): void
    {
        DB::table('posting_keys')->insert(['key' => self::MARK, 'result' => '1', 'recorded_at' => Moment::now()]);
    }

    /** Books of earlier versions have no mark; they are known by the demo's people. */
    public static function areHere(): bool
    {
        return DB::table('posting_keys')->where('key', self::MARK)->exists() ||
            DB::table('users')->whereIn('email', array_column(self::PEOPLE, 1))->count() === count(self::PEOPLE);
    }

    /** @throws Refusal when there are other books in the place of the demo's */
    public static function refuseOthers(): void
    {
        $file = Books::file();
        if (! is_file($file) || filesize($file) === 0) {
            return;
        }
        try {
            $demo = Schema::hasTable('posting_keys') && Schema::hasTable('users') && self::areHere();
        } catch (PDOException) {
            $demo = false;
        }
        if (! $demo) {
            throw new Refusal(
                "{$file} was not made by the demo, so that it is left as it is. Serve it with “./ajuste serve”, or name another file "
                    .'for the demo with AJUSTE_BOOKS.',
            );
        }
    }
}
