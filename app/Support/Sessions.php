<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Who is signed in where. Sessions are kept in a file beside the books, so that those of other books open nothing here. */
final class Sessions
{
    public const CONNECTION = 'sessions';

    /** Makes the file where there is none. */
    public static function file(): Connection
    {
        $file = DB::connection('books')->getDatabaseName().'.sessions';
        if (config('database.connections.'.self::CONNECTION.'.database') !== $file) {
            config(['database.connections.'.self::CONNECTION => [
                'driver' => 'sqlite', 'database' => $file, 'prefix' => '', 'busy_timeout' => 5000, 'journal_mode' => 'WAL',
                'synchronous' => 'NORMAL',
            ]]);
            DB::purge(self::CONNECTION);
        }
        if (! is_file($file)) {
            @mkdir(dirname($file), 0770, true);
            touch($file);
            chmod($file, 0600);
        }
        $connection = DB::connection(self::CONNECTION);
        $connection->statement('CREATE TABLE IF NOT EXISTS sessions (id TEXT PRIMARY KEY, user_id INTEGER, ip_address TEXT, '
            .'user_agent TEXT, payload TEXT NOT NULL, last_activity INTEGER NOT NULL)');

        return $connection;
    }

    /** @return list<stdClass> those of a person that still hold, the latest first: id, ip_address, user_agent, last_activity */
    public static function of(int $userId): array
    {
        $since = time() - config()->integer('session.lifetime') * 60;
        $rows = self::file()->table('sessions')->where('user_id', $userId)->where('last_activity', '>=', $since);

        return array_values($rows->orderByDesc('last_activity')->get(['id', 'ip_address', 'user_agent', 'last_activity'])->all());
    }

    /** Ends all of a person but one. */
    public static function endOthers(int $userId, string $but): void
    {
        self::file()->table('sessions')->where('user_id', $userId)->where('id', '<>', $but)->delete();
    }

    /** Ends one of a person's own. */
    public static function end(int $userId, string $named): void
    {
        $ids = self::file()->table('sessions')->where('user_id', $userId)->pluck('id');
        $found = $ids->filter(static fn (mixed $id): bool => is_string($id) && self::name($id) === $named);
        self::file()->table('sessions')->whereIn('id', $found)->delete();
    }

    /** What a page may say of a session without giving it away. */
    public static function name(string $id): string
    {
        return substr(hash('sha256', $id), 0, 16);
    }
}
