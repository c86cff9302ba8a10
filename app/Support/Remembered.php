<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/** Keeps what is costly to work out for as long as the rows that it was worked out from stand. One value for each name; the state says whether it still holds. */
final class Remembered
{
    /**
     * @template T
     *
     * @param string $name what it is, with its parameters
     * @param list<string> $tables of which a new or taken row makes it stale
     * @param Closure(): T $workOut
     * @return T
     */
    public static function while(string $name, array $tables, Closure $workOut): mixed
    {
        $key = self::key($name);
        $state = self::state($tables);
        $kept = Cache::get($key);
        if (is_array($kept) && ($kept[0] ?? null) === $state) {
            /** @var T */
            return $kept[1];
        }
        $value = $workOut();
        Cache::put($key, [$state, $value], 86_400);

        return $value;
    }

    public static function key(string $name): string
    {
        return 'remembered|'.DB::connection()->getDatabaseName().'|'.$name;
    }

    /** The first record of the trail tells one set of books from another at the same place; and what was kept by an earlier version of the program may have another shape. */
    public static function books(): string
    {
        return DB::table('audit_records')->orderBy('id')->value('digest').' '.self::code();
    }

    private static function code(): string
    {
        $files = [...(glob(base_path('core/*/*.php')) ?: []), ...(glob(app_path('Queries/*.php')) ?: [])];

        return (string) max(0, ...array_map(static fn (string $file): int => (int) filemtime($file), $files));
    }

    /** @param  list<string>  $tables */
    private static function state(array $tables): string
    {
        $state = [self::books()];
        foreach ($tables as $table) {
            // Rows are only added, so the last key says it; tables keyed by another table's rows are counted.
            $state[] = in_array($table, ['match_reversals', 'run_reversals', 'rows_closed', 'carried_causes_withdrawn', 'hand_pairs_withdrawn', 'placement_reversals', 'money_lines', 'payers', 'voucher_confirmations'], true)
                ? DB::table($table)->count() : (int) DB::table($table)->max('id');
        }

        return implode(' ', $state);
    }
}
