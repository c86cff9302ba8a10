<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Support\Facades\DB;
use PDO;

/**
 * Every transaction seals the rows that it posted: their digest, in a chain. What stays as it was posted can then be shown to have stayed,
 * record by record of the trail too. Digests name the columns that they were taken of, so that a later version may add others.
 */
final class Seals
{
    /** Tables whose rows are numbered as they come. */
    public const NUMBERED = [
        'agreements', 'allowance_posted', 'allowance_rates', 'approval_requests', 'audit_records', 'bank_statements', 'carried_causes',
        'check_reasons', 'confirmation_answers', 'confirmation_letters', 'confirmations', 'contested', 'credit_notes',
        'customer_blocks', 'customer_versions', 'deputies', 'deputies_ended', 'discount_decisions', 'hand_pairs', 'imports', 'items',
        'late_rows',
        'loose_reasons', 'mandates', 'matched_instalments', 'matches', 'money_lines', 'notes', 'overlays', 'own_checks', 'pair_choices',
        'party_links', 'payment_orders', 'period_locks', 'placements', 'postings', 'promises', 'promises_ended', 'questions',
        'rates_accepted', 'refunds', 'reopenings', 'run_choices', 'run_left_out', 'run_lines', 'runs', 'securities', 'securities_ended',
        'settings', 'settlements', 'signatures', 'signed_proofs', 'source_fixes', 'specific_allowances', 'supplier_matches', 'vouchers',
    ];

    /** Rows of these are final only if so. */
    private const ONLY = ['money_lines' => 'statement_id IS NOT NULL'];

    /** Tables whose rows bear the number of what they are about, and that number's column. */
    public const KEYED = [
        'approval_answers' => 'request_id', 'collection_answers' => 'debit_id', 'collections_sent' => 'collection_id',
        'customer_blocks_lifted' => 'block_id', 'deposit_taxes' => 'item_id', 'item_reversals' => 'item_id',
        'late_decisions' => 'late_id', 'mandate_ends' => 'mandate_id',
        'match_reversals' => 'match_id', 'notes_struck' => 'note_id', 'overlays_ended' => 'overlay_id', 'own_checks_ended' => 'check_id',
        'placement_reversals' => 'placement_id', 'question_answers' => 'question_id', 'run_reversals' => 'run_id',
        'run_settlements' => 'settlement_id', 'supplier_contras' => 'item_id', 'written_off' => 'item_id',
    ];

    /** The only column that a later version of the same row sets. */
    private const LATER = 'superseded_at';

    /** @var array<string, array{from: int, through: int, digest: string}> by table, taken before the books were held for writing */
    private static array $ahead = [];

    /**
     * Digests of rows in a copy of the books, as they will be in the books once they are carried over and nothing else has come between.
     *
     * @param list<string> $tables that will be carried over
     * @param Closure(string): string $value what will be carried over of a column, as SQL
     * @return array<string, array{from: int, through: int, digest: string}> by table
     */
    public static function ofCopy(array $tables, Closure $value): array
    {
        $before = self::last()['state'] ?? [];
        $digests = [];
        foreach (array_intersect_key(self::state(), array_flip($tables)) as $table => $through) {
            $from = $before[$table] ?? 0;
            if ($through > $from) {
                $digest = self::digestOf($table, self::numbered($table, $from, $through), self::columns($table), $value);
                $digests[$table] = ['from' => $from, 'through' => $through, 'digest' => $digest];
            }
        }

        return $digests;
    }

    /**
     * Posts with digests that were taken ahead, so that nobody waits for them.
     *
     * @template T
     *
     * @param array<string, array{from: int, through: int, digest: string}> $ahead
     * @param Closure(): T $post
     * @return T
     */
    public static function with(array $ahead, Closure $post): mixed
    {
        self::$ahead = $ahead;
        try {
            return $post();
        } finally {
            self::$ahead = [];
        }
    }

    /** Seals what was posted since the last seal; in the transaction that posted it. */
    public static function close(): void
    {
        if (DB::selectOne("SELECT 1 FROM sqlite_master WHERE name = 'seals'") === null) {
            return; // books that are only being made
        }
        [$last, $now] = [self::last(), self::state()];
        $lists = $last['lists'] ?? [];
        $changed = SealedLists::toSeal($lists);
        $before = $last['state'] ?? [];
        $grown = [
            ...array_filter(
                $now,
                static fn (int $through, string $table): bool => $through > ($before[$table] ?? 0),
                ARRAY_FILTER_USE_BOTH,
            ),
            ...array_fill_keys(self::notSealed(), 0),
        ];
        if ($grown === [] && $changed === []) {
            return;
        }
        $id = (int) DB::table('seals')->max('id') + 1;
        DB::table('sealed_keys')->whereNull('seal_id')->update(['seal_id' => $id]);
        $rows = [];
        foreach ($grown as $table => $through) {
            $columns = self::columns($table);
            $from = $before[$table] ?? 0;
            $ahead = self::$ahead[$table] ?? null;
            $isAhead = $ahead !== null && $ahead['from'] === $from && $ahead['through'] === $through;
            $rows[$table] = [
                'from' => $from,
                'through' => $through,
                'columns' => $columns,
                'digest' => $isAhead ? $ahead['digest'] : self::digest($table, $columns, $id, $from, $through),
            ];
        }
        $whole = [];
        foreach ($changed as $list => $counter) {
            $columns = self::columns($list);
            $lists[$list] = [$counter, $id];
            $whole[$list] = ['columns' => $columns, 'digest' => self::digestOfList($list, $columns)];
        }
        $body = json_encode(['state' => $now, 'lists' => $lists, 'rows' => $rows, 'whole' => $whole], JSON_THROW_ON_ERROR);
        $previous = $last['digest'] ?? '';
        DB::table('seals')->insert([
            'id' => $id,
            'body' => $body,
            'previous' => $previous,
            'digest' => hash('sha256', "{$previous}\x1f{$body}"),
            'recorded_at' => Moment::now(),
        ]);
    }

    /** Number and digest of the last seal through a moment, for what leaves the books; blank: there was none. */
    public static function headAt(string $moment): string
    {
        $row = DB::table('seals')->where('recorded_at', '<=', $moment)->orderByDesc('id')->first(['id', 'digest']);

        return $row === null ? '' : "{$row->id} {$row->digest}";
    }

    /** @return list<string> tables whose rows are not as they were posted, in words */
    public static function faults(): array
    {
        $faults = [];
        $previous = '';
        $state = $whole = [];
        foreach (DB::table('seals')->orderBy('id')->cursor() as $seal) {
            if ($seal->previous !== $previous || $seal->digest !== hash('sha256', "{$previous}\x1f{$seal->body}")) {
                return [...$faults, "The seals are broken at seal {$seal->id} of {$seal->recorded_at}."];
            }
            $previous = $seal->digest;
            /**
             * @var array{
             *     state: array<string, int>,
             *     rows: array<string, array{from: int, through: int, columns: list<string>, digest: string}>,
             *     whole?: array<string, array{columns: list<string>, digest: string}>
             * } $body
             */
            $body = json_decode($seal->body, true, flags: JSON_THROW_ON_ERROR);
            $state = $body['state'];
            $whole = [...$whole, ...$body['whole'] ?? []];
            foreach ($body['rows'] as $table => $of) {
                if (self::digest($table, $of['columns'], (int) $seal->id, $of['from'], $of['through']) !== $of['digest']) {
                    $faults[] = "Rows of {$table} that were posted at {$seal->recorded_at} are not as they were posted.";
                }
            }
        }
        foreach ($whole as $list => $of) {
            if (self::digestOfList($list, $of['columns']) !== $of['digest']) {
                $faults[] = "Rows of {$list} were changed beside the program.";
            }
        }
        $more = array_filter(
            self::state(),
            static fn (int $through, string $table): bool => $through > ($state[$table] ?? 0),
            ARRAY_FILTER_USE_BOTH,
        );
        foreach ([...array_keys($more), ...self::notSealed(), ...self::withoutKey()] as $table) {
            $faults[] = "Rows of {$table} were added beside the program.";
        }

        return $faults;
    }

    /** @return array{digest: string, state: array<string, int>, lists: array<string, array{int, int}>}|null */
    private static function last(): ?array
    {
        $row = DB::table('seals')->orderByDesc('id')->first([
            'digest', DB::raw("json_extract(body, '$.state') AS state"), DB::raw("coalesce(json_extract(body, '$.lists'), '{}') AS lists"),
        ]);
        if ($row === null) {
            return null;
        }
        /** @var array<string, int> $state */
        $state = json_decode($row->state, true, flags: JSON_THROW_ON_ERROR);
        /** @var array<string, array{int, int}> $lists */
        $lists = json_decode($row->lists, true, flags: JSON_THROW_ON_ERROR);

        return ['digest' => $row->digest, 'state' => $state, 'lists' => $lists];
    }

    /** @return array<string, int> by numbered table: the last number */
    private static function state(): array
    {
        $selects = array_map(
            static fn (string $table): string => "(SELECT max(id) FROM {$table} WHERE ".self::only($table).") AS {$table}",
            self::NUMBERED,
        );

        return array_map(intval(...), (array) DB::selectOne('SELECT '.implode(', ', $selects)));
    }

    /** @return list<string> tables of which rows wait for their seal */
    private static function notSealed(): array
    {
        return array_values(DB::table('sealed_keys')->whereNull('seal_id')->distinct()->pluck('name')->all());
    }

    /** @return list<string> tables with rows that came in with no trigger in the way */
    private static function withoutKey(): array
    {
        return array_values(array_filter(array_keys(self::KEYED), static fn (string $table): bool => DB::table($table)
            ->whereNotIn(self::KEYED[$table], DB::table('sealed_keys')->where('name', $table)->select('key'))
            ->exists()));
    }

    private static function only(string $table): string
    {
        return self::ONLY[$table] ?? '1';
    }

    /** @return list<string> */
    private static function columns(string $table): array
    {
        $columns = array_column(DB::select("SELECT name FROM pragma_table_info('{$table}') ORDER BY cid"), 'name');

        return array_values(array_diff($columns, [self::LATER]));
    }

    /** @param  list<string>  $columns */
    private static function digest(string $table, array $columns, int $seal, int $from, int $through): string
    {
        $key = self::KEYED[$table] ?? null;
        $which = $key === null
            ? self::numbered($table, $from, $through)
            : "WHERE {$key} IN (SELECT key FROM sealed_keys WHERE seal_id = {$seal} AND name = '{$table}') ORDER BY {$key}";

        return self::digestOf($table, $which, $columns);
    }

    private static function numbered(string $table, int $from, int $through): string
    {
        return "WHERE id > {$from} AND id <= {$through} AND ".self::only($table).' ORDER BY id';
    }

    /** @param  list<string>  $columns */
    private static function digestOfList(string $list, array $columns): string
    {
        return self::digestOf($list, 'ORDER BY '.SealedLists::LISTS[$list], $columns);
    }

    /**
     * Each row as SQL would write its values, with commas between them. Numbers are what they are, which is quicker than quoting them.
     *
     * @param string $which condition and order of its rows, as SQL
     * @param list<string> $columns
     * @param ?Closure(string): string $value of a column, as SQL; null: what stands there
     */
    private static function digestOf(string $table, string $which, array $columns, ?Closure $value = null): string
    {
        $types = DB::table(DB::raw("pragma_table_info('{$table}')"))->pluck('type', 'name');
        $values = array_map(static function (string $column) use ($types, $value): string {
            $said = $value === null ? $column : $value($column);

            return $types[$column] === 'INTEGER' ? "coalesce({$said}, 'NULL')" : "quote({$said})";
        }, $columns);
        $statement = DB::connection()->getPdo()->query('SELECT '.implode(', ', $values)." FROM {$table} {$which}");
        $hash = hash_init('sha256');
        while ($statement !== false && is_array($row = $statement->fetch(PDO::FETCH_NUM))) {
            hash_update($hash, implode(',', $row)."\n");
        }

        return hash_final($hash);
    }
}
