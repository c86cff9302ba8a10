<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/**
 * Keeps what is costly to work out for as long as what it was worked out from stands. One value for each name; the state says whether it
 * still holds.
 */
final class Remembered
{
    private const SECONDS = 86_400;

    /**
     * @template T
     *
     * @param string $name what it is, with its parameters
     * @param list<string> $tables that it is worked out from
     * @param Closure(): T $workOut
     * @return T
     */
    public static function while(string $name, array $tables, Closure $workOut): mixed
    {
        $state = Changes::books().' '.Changes::of($tables);
        $kept = Cache::get(self::key($name));
        if (is_array($kept) && ($kept[0] ?? null) === $state) {
            /** @var T */
            return $kept[1];
        }
        $value = $workOut();
        Cache::put(self::key($name), [$state, $value], self::SECONDS);

        return $value;
    }

    public static function key(string $name): string
    {
        return 'remembered|'.DB::connection()->getDatabaseName().'|'.$name;
    }
}
