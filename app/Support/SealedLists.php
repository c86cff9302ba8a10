<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/**
 * Lists whose rows are changed where they stand: customers, accounts, rates. A transaction that changed one seals it whole. What was
 * changed beside the program is never sealed over, so that it is found later too.
 */
final class SealedLists
{
    /** The lists, and the order in which their rows are read. */
    public const LISTS = [
        'accounts' => 'id', 'customer_ibans' => 'customer_id, recorded_at', 'customers' => 'id', 'deduction_reasons' => 'id',
        'instalments' => 'id', 'item_lines' => 'id', 'rates' => 'id', 'supplier_items' => 'id', 'suppliers' => 'id',
    ];

    /** @var array<string, int> where the counters of the lists stood when the transaction began */
    private static array $before = [];

    public static function begin(): void
    {
        self::$before = self::counters();
    }

    /**
     * @param array<string, array{int, int}> $sealed by list: its counter and the seal, as the last seal has them
     * @return array<string, int> lists that this transaction changed, and those that no seal has yet: where their counters stand
     */
    public static function toSeal(array $sealed): array
    {
        return array_filter(
            self::counters(),
            static fn (int $now, string $list): bool => ! isset($sealed[$list])
                || ($now !== $sealed[$list][0] && (self::$before[$list] ?? null) === $sealed[$list][0]),
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @return array<string, int> by list: how often it was changed */
    private static function counters(): array
    {
        if (DB::selectOne("SELECT 1 FROM sqlite_master WHERE name = 'changes'") === null) {
            return []; // books that are only being made
        }

        return DB::table('changes')
            ->whereIn('name', array_keys(self::LISTS))
            ->pluck('counter', 'name')
            ->map(static fn ($counter): int => (int) $counter)
            ->all();
    }
}
