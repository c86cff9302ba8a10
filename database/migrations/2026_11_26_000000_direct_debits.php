<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Direct debits: mandates, collections with what they collect, the bank's answer, and why a payment came back. */
return new class extends Migration
{
    /** Rows of these are never changed nor deleted, and what they are. */
    private const KEPT = [
        'mandates' => 'a mandate',
        'mandate_ends' => 'the end of a mandate',
        'collections_sent' => 'an order for debits',
        'collection_answers' => 'the answer to a debit',
    ];

    public function up(): void
    {
        DB::statement("ALTER TABLE money_lines ADD COLUMN return_reason TEXT NOT NULL DEFAULT ''");
        DB::unprepared("CREATE TABLE mandates (
                id INTEGER PRIMARY KEY,
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                reference TEXT NOT NULL UNIQUE,
                holder TEXT NOT NULL,
                iban TEXT NOT NULL,
                signed_on TEXT NOT NULL,
                scheme TEXT NOT NULL CHECK (scheme IN ('CORE', 'B2B')),
                use TEXT NOT NULL CHECK (use IN ('recurrent', 'once')),
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX mandates_customer ON mandates (customer_id);
            CREATE TABLE mandate_ends (
                mandate_id INTEGER PRIMARY KEY REFERENCES mandates (id),
                date TEXT NOT NULL,
                reason TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE collections (
                id INTEGER PRIMARY KEY,
                collected_on TEXT NOT NULL,
                account_id INTEGER NOT NULL REFERENCES accounts (id), -- the bank account that the money comes to
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE collection_debits (
                id INTEGER PRIMARY KEY,
                collection_id INTEGER NOT NULL REFERENCES collections (id),
                mandate_id INTEGER NOT NULL REFERENCES mandates (id),
                end_to_end TEXT NOT NULL UNIQUE,
                UNIQUE (collection_id, mandate_id)
            );
            CREATE INDEX collection_debits_mandate ON collection_debits (mandate_id);
            CREATE TABLE collection_items (
                debit_id INTEGER NOT NULL REFERENCES collection_debits (id),
                item_id INTEGER NOT NULL REFERENCES items (id),
                amount INTEGER NOT NULL CHECK (amount > 0), -- to collect, in the item's currency
                discount INTEGER NOT NULL CHECK (discount >= 0),
                PRIMARY KEY (debit_id, item_id)
            );
            CREATE INDEX collection_items_item ON collection_items (item_id);
            CREATE TABLE collection_notices (
                debit_id INTEGER PRIMARY KEY REFERENCES collection_debits (id),
                outbox_id INTEGER NOT NULL REFERENCES outbox (id),
                told_on TEXT NOT NULL
            );
            CREATE TABLE collections_sent (
                collection_id INTEGER PRIMARY KEY REFERENCES collections (id),
                file TEXT NOT NULL,
                answer TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE collection_answers (
                debit_id INTEGER PRIMARY KEY REFERENCES collection_debits (id),
                line_id INTEGER UNIQUE REFERENCES money_lines (id), -- the receipt in its batch; null: the bank refused it
                why TEXT NOT NULL
            );");
        foreach (self::KEPT as $table => $what) {
            $this->keep($table, $what);
        }
        // What a sent collection asks for is fixed; until then it is being put together.
        $sent = 'EXISTS (SELECT 1 FROM collections_sent WHERE collection_id = ';
        $debit = '(SELECT collection_id FROM collection_debits WHERE id = OLD.debit_id))';
        $this->keep('collections', 'a sent collection', "WHEN {$sent}OLD.id)");
        $this->keep('collection_debits', 'a debit of a sent collection', "WHEN {$sent}OLD.collection_id)");
        $this->keep('collection_items', 'an item of a sent collection', "WHEN {$sent}{$debit}");
        $tables = ['collections', 'collection_debits', 'collection_items', 'collection_notices', ...array_keys(self::KEPT)];
        array_map($this->watch(...), $tables);
    }

    private function keep(string $table, string $what, string $when = ''): void
    {
        foreach (['UPDATE' => ['keep', 'changed'], 'DELETE' => ['stay', 'deleted']] as $event => [$name, $done]) {
            DB::unprepared("CREATE TRIGGER {$table}_{$name} BEFORE {$event} ON {$table} {$when}
                BEGIN SELECT RAISE(ABORT, '{$what} is never {$done}'); END");
        }
    }

    private function watch(string $table): void
    {
        DB::table('changes')->insertOrIgnore(['name' => $table, 'counter' => 0]);
        foreach (['INSERT', 'UPDATE', 'DELETE'] as $event) {
            $name = strtolower($event);
            DB::unprepared("CREATE TRIGGER {$table}_count_{$name} AFTER {$event} ON {$table}
                BEGIN UPDATE changes SET counter = counter + 1 WHERE name = '{$table}'; END");
        }
    }
};
