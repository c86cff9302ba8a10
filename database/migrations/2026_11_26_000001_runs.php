<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Closing runs: what persons decide about single lines, requests for approval and their answers, customers that a run leaves alone. */
return new class extends Migration
{
    private const KEPT = [
        'run_choices' => 'a decision about a run',
        'run_requests' => 'a request for approval',
        'run_request_answers' => 'an answer to a request',
        'customer_blocks' => 'a block',
        'customer_blocks_lifted' => 'the end of a block',
        'supplier_contras' => 'a posted contra',
        'supplier_contra_bills' => 'a posted contra',
    ];

    public function up(): void
    {
        $this->supplierItems();
        DB::unprepared("CREATE TABLE run_choices (
                id INTEGER PRIMARY KEY,
                kind TEXT NOT NULL,
                account_id INTEGER NOT NULL REFERENCES accounts (id),
                as_of TEXT NOT NULL,
                item_id INTEGER NOT NULL REFERENCES items (id),
                choice TEXT NOT NULL CHECK (choice IN ('leave', 'take', 'policy')), -- the last one holds
                reason TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX run_choices_run ON run_choices (kind, account_id, as_of);
            CREATE TABLE run_requests (
                id INTEGER PRIMARY KEY,
                kind TEXT NOT NULL,
                account_id INTEGER NOT NULL REFERENCES accounts (id),
                as_of TEXT NOT NULL,
                digest TEXT NOT NULL,       -- of the plan that was seen
                lines INTEGER NOT NULL,
                total INTEGER NOT NULL,     -- base currency
                why TEXT NOT NULL,          -- it needs a second person
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX run_requests_run ON run_requests (kind, account_id, as_of);
            CREATE TABLE run_request_answers (
                request_id INTEGER PRIMARY KEY REFERENCES run_requests (id),
                answer TEXT NOT NULL CHECK (answer IN ('approved', 'sent_back', 'withdrawn')),
                words TEXT NOT NULL,
                run_id INTEGER REFERENCES runs (id),
                who TEXT NOT NULL,          -- or the outside person, with the one who keeps the books
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE customer_blocks (
                id INTEGER PRIMARY KEY,
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                kind TEXT NOT NULL,
                reason TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX customer_blocks_kind ON customer_blocks (kind);
            CREATE TABLE customer_blocks_lifted (
                block_id INTEGER PRIMARY KEY REFERENCES customer_blocks (id),
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE supplier_contras (
                item_id INTEGER PRIMARY KEY REFERENCES items (id), -- the customer's side
                supplier_id INTEGER NOT NULL REFERENCES suppliers (id),
                agreement TEXT NOT NULL
            );
            CREATE INDEX supplier_contras_supplier ON supplier_contras (supplier_id);
            CREATE TABLE supplier_contra_bills (
                item_id INTEGER NOT NULL REFERENCES supplier_contras (item_id),
                supplier_item_id INTEGER NOT NULL REFERENCES supplier_items (id),
                amount INTEGER NOT NULL CHECK (amount > 0),
                base INTEGER NOT NULL CHECK (base >= 0),
                PRIMARY KEY (item_id, supplier_item_id)
            );
            CREATE INDEX supplier_contra_bills_bill ON supplier_contra_bills (supplier_item_id);");
        foreach (self::KEPT as $table => $what) {
            foreach (['UPDATE' => ['keep', 'changed'], 'DELETE' => ['stay', 'deleted']] as $event => [$name, $done]) {
                DB::unprepared("CREATE TRIGGER {$table}_{$name} BEFORE {$event} ON {$table}
                    BEGIN SELECT RAISE(ABORT, '{$what} is never {$done}'); END");
            }
            $this->watch($table);
        }
    }

    /** Bills may be blocked and say what they carry; contras come back among them. */
    private function supplierItems(): void
    {
        DB::unprepared("CREATE TABLE mended_supplier_items (
                id INTEGER PRIMARY KEY,
                document TEXT NOT NULL,
                kind TEXT NOT NULL CHECK (kind IN ('bill', 'bill_credit', 'payment', 'contra')),
                supplier_id INTEGER NOT NULL REFERENCES suppliers (id),
                occurrence INTEGER NOT NULL,
                date TEXT NOT NULL,
                due_date TEXT NOT NULL,
                currency TEXT NOT NULL,
                amount INTEGER NOT NULL CHECK (amount > 0),
                base INTEGER NOT NULL CHECK (base >= 0),
                open INTEGER NOT NULL CHECK (open BETWEEN 0 AND amount),
                reference TEXT NOT NULL DEFAULT '',
                carrying INTEGER CHECK (carrying >= 0), -- of what is open; null: its share of base
                blocked INTEGER NOT NULL DEFAULT 0,
                UNIQUE (supplier_id, document, kind, occurrence)
            );
            INSERT INTO mended_supplier_items SELECT id, document, kind, supplier_id, occurrence, date, due_date, currency, amount, base,
                open, reference, NULL, 0 FROM supplier_items;
            DROP TABLE supplier_items;
            ALTER TABLE mended_supplier_items RENAME TO supplier_items;");
        $this->watch('supplier_items');
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
