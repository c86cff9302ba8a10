<?php

declare(strict_types=1);

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/*
 * Counters that triggers move: what is remembered of the books holds while the counters of the tables that it was worked out from stand.
 * Beside them each customer's own counter, so that after a posting only the customers that it concerns are worked out anew.
 */
return new class extends Migration
{
    /** Tables that are only added to, and, where it matters, the columns that are ever changed. */
    private const LARGE = [
        'items' => 'superseded_at', 'postings' => 'superseded_at', 'matches' => '', 'match_reversals' => '', 'audit_records' => '',
    ];

    /** Tables that nothing is worked out from. */
    private const SILENT = [
        'migrations', 'posting_keys', 'sessions', 'audit_records', 'item_positions', 'control_days', 'changes', 'customer_changes',
    ];

    public function up(): void
    {
        DB::unprepared('CREATE TABLE changes (name TEXT PRIMARY KEY, counter INTEGER NOT NULL) WITHOUT ROWID;
            CREATE TABLE customer_changes (customer_id INTEGER PRIMARY KEY, counter INTEGER NOT NULL);
            CREATE INDEX customer_changes_counter ON customer_changes (counter);');
        foreach ($this->tables() as $table) {
            if (! in_array($table, self::SILENT, true)) {
                DB::table('changes')->insert(['name' => $table, 'counter' => 0]);
                $this->watch($table);
            }
        }
        DB::table('changes')->insert(['name' => 'customers moved', 'counter' => 0]);
        $this->watchCustomers();
        $this->mendIbans();
        $this->mendDrafts();
    }

    private function watch(string $table): void
    {
        $events = match (self::LARGE[$table] ?? null) {
            null => ['INSERT', 'UPDATE', 'DELETE'],
            '' => ['INSERT'],
            default => ['INSERT', 'UPDATE OF '.self::LARGE[$table]],
        };
        foreach ($events as $event) {
            $name = strtolower(explode(' ', $event)[0]);
            DB::unprepared("CREATE TRIGGER {$table}_count_{$name} AFTER {$event} ON {$table}
                BEGIN UPDATE changes SET counter = counter + 1 WHERE name = '{$table}'; END");
        }
    }

    /** A customer has changed with its items, their matches, and what was decided about them. */
    private function watchCustomers(): void
    {
        $of = static fn (string $item): string => "(SELECT customer_id FROM items WHERE id = {$item})";
        $sources = [
            ['items', 'INSERT', 'NEW.customer_id'], ['items', 'UPDATE OF superseded_at', 'NEW.customer_id'],
            ['matches', 'INSERT', $of('NEW.debit_item_id')],
            ['match_reversals', 'INSERT', '(SELECT i.customer_id FROM matches m JOIN items i ON i.id = m.debit_item_id
                WHERE m.id = NEW.match_id)'],
            ['discount_decisions', 'INSERT', $of('NEW.item_id')], ['contested', 'INSERT', $of('NEW.item_id')],
            ['customers', 'UPDATE OF customer, name', 'NEW.id'],
        ];
        foreach ($sources as [$table, $event, $customer]) {
            $name = strtolower(explode(' ', $event)[0]);
            DB::unprepared("CREATE TRIGGER {$table}_customer_{$name} AFTER {$event} ON {$table} BEGIN
                UPDATE changes SET counter = counter + 1 WHERE name = 'customers moved';
                INSERT INTO customer_changes (customer_id, counter) VALUES ({$customer}, (SELECT counter FROM changes
                    WHERE name = 'customers moved'))
                    ON CONFLICT (customer_id) DO UPDATE SET counter = excluded.counter;
                END");
        }
    }

    /** A table without row ids whose key columns stand first, so that SQLite's own check reads it. */
    private function mendIbans(): void
    {
        DB::unprepared('CREATE TABLE mended_ibans (
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                recorded_at TEXT NOT NULL,
                iban TEXT NOT NULL,
                PRIMARY KEY (customer_id, recorded_at)
            ) WITHOUT ROWID;
            INSERT INTO mended_ibans (customer_id, recorded_at, iban) SELECT customer_id, recorded_at, iban FROM customer_ibans;
            DROP TABLE customer_ibans;
            ALTER TABLE mended_ibans RENAME TO customer_ibans;');
        DB::table('changes')->insertOrIgnore(['name' => 'customer_ibans', 'counter' => 0]);
        $this->watch('customer_ibans');
    }

    /** Drafts keep amounts as minor units with their currency; what was typed and cannot be read stands blank. */
    private function mendDrafts(): void
    {
        $drafts = DB::table('receipt_drafts as d')->join('money_lines as l', 'l.id', '=', 'd.line_id');
        foreach ($drafts->get(['d.line_id', 'd.request', 'l.currency']) as $draft) {
            $kept = json_decode($draft->request, true, flags: JSON_THROW_ON_ERROR);
            $code = ($kept['currency'] ?? '') !== '' ? $kept['currency'] : $draft->currency;
            $amount = static function (mixed $typed, string $code): ?array {
                try {
                    return trim((string) $typed) === '' ? null : [TypedAmount::read((string) $typed, Currency::of($code))->minor, $code];
                } catch (Refusal) {
                    return null;
                }
            };
            DB::table('receipt_drafts')->where('line_id', $draft->line_id)->update(['request' => json_encode([
                'customer' => $kept['customer'],
                'takes' => array_map(static fn (mixed $typed): ?array => $amount($typed, $code), $kept['typed']),
                'discounts' => $kept['discounts'],
                'deductions' => array_map(static fn (array $of): array => [$of[0], $of[1], $amount($of[2], $code)], $kept['deductions']),
                'lines' => $kept['lines'],
                'charges' => $amount($kept['kept_back'], $draft->currency),
                'rest' => $kept['rest'],
                'worth' => ($kept['currency'] ?? '') === '' ? null : ($amount($kept['amount'], $code) ?? [0, $code]),
                'deposit_tax' => $kept['deposit_tax'],
            ], JSON_THROW_ON_ERROR)]);
        }
    }

    /** @return list<string> */
    private function tables(): array
    {
        $rows = DB::select("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name");

        return array_values(array_map(static fn (stdClass $row): string => $row->name, $rows));
    }
};
