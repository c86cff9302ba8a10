<?php

declare(strict_types=1);

namespace App\Actions\Posting;

use App\Support\Moment;
use Closure;
use Illuminate\Support\Facades\DB;

/** Carries something out once for each key: a double click or a request sent again finds what the first one did. */
final class Once
{
    /**
     * @param string $key from the form or command
     * @param Closure(): (int|string) $post runs in one transaction; gives what names the result
     * @return string the result, of now or of the first time
     */
    public static function for(string $key, Closure $post): string
    {
        return DB::transaction(static function () use ($key, $post): string {
            $done = self::result($key);
            if ($done !== null) {
                return $done;
            }
            $result = (string) $post();
            DB::table('posting_keys')->insert(['key' => $key, 'result' => $result, 'recorded_at' => Moment::now()]);

            return $result;
        });
    }

    /** What came of a key that was carried out; null while it was not. */
    public static function result(string $key): ?string
    {
        $done = DB::table('posting_keys')->where('key', $key)->value('result');

        return is_string($done) ? $done : null;
    }
}
