<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Support\Facades\DB;

/** Counters that triggers of the database move with every change of a table, and of each customer. */
final class Changes
{
    /**
     * The first record of the trail tells one set of books from another at the same place; what an earlier version of the program kept may
     * have another shape.
     */
    public static function books(): string
    {
        return DB::table('audit_records')->orderBy('id')->value('digest').' '.self::program();
    }

    /**
     * Where the counters of some tables stand. The same answer means that none of them has changed.
     *
     * @param list<string> $tables
     */
    public static function of(array $tables): string
    {
        $counters = DB::table('changes')->whereIn('name', $tables)->pluck('counter', 'name');

        return implode(' ', array_map(static fn (string $table): string => (string) $counters[$table], $tables));
    }

    /** @return array<string, int> where all counters stand, by table */
    public static function all(): array
    {
        return array_map(intval(...), DB::table('changes')->orderBy('name')->pluck('counter', 'name')->all());
    }

    /** How often customers have changed in all: their items, matches, and what was decided about them. */
    public static function ofCustomers(): int
    {
        return (int) DB::table('changes')->where('name', 'customers moved')->value('counter');
    }

    /** Where the counter of one customer stands. */
    public static function ofCustomer(int $customerId): int
    {
        return (int) DB::table('customer_changes')->where('customer_id', $customerId)->value('counter');
    }

    /**
     * Customers that have changed since a moment.
     *
     * @param int $since what ofCustomers() said then
     * @param int $most how many are worth naming
     * @return ?list<int> null: more than that
     */
    public static function customersSince(int $since, int $most): ?array
    {
        $ids = DB::table('customer_changes')
            ->where('counter', '>', $since)
            ->limit($most + 1)
            ->pluck('customer_id')
            ->all();

        return count($ids) > $most ? null : array_values(array_map(intval(...), $ids));
    }

    /**
     * While much is written in one transaction the triggers rest, and at its end every counter moves once. What becomes of the transaction
     * becomes of the triggers: they stand again when it is committed and when it is taken back.
     */
    public static function together(Closure $write): void
    {
        $triggers = DB::table('sqlite_master')
            ->where('type', 'trigger')
            ->where('sql', 'like', '%UPDATE changes SET counter%')
            ->pluck('sql', 'name');
        foreach ($triggers->keys() as $name) {
            DB::statement("DROP TRIGGER \"{$name}\"");
        }
        $write();
        DB::update('UPDATE changes SET counter = counter + 1');
        DB::insert(
            'INSERT INTO customer_changes (customer_id, counter) SELECT id, ? FROM customers WHERE true '.
                'ON CONFLICT (customer_id) DO UPDATE SET counter = excluded.counter',
            [self::ofCustomers()],
        );
        foreach ($triggers as $sql) {
            DB::statement((string) $sql);
        }
    }

    private static function program(): string
    {
        static $latest = null;
        $latest ??= max(
            0,
            ...array_map(static fn (string $file): int => (int) filemtime($file), [
                ...glob(base_path('core/*/*.php')) ?: [],
                ...glob(app_path('*/*.php')) ?: [],
            ]),
        );

        return (string) $latest;
    }
}
