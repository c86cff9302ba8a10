<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/*
 * Own calendars, instalments, what the allowance is made of and what of it is posted, debts that will never be paid, and matches that the
 * payables side brings back. A list that can change keeps what it said before: its last row holds.
 */
return new class extends Migration
{
    private const KEPT = [
        'allowance_rates' => 'a loss rate',
        'specific_allowances' => 'a specific allowance',
        'overlays' => 'an overlay',
        'overlays_ended' => 'the end of an overlay',
        'allowance_posted' => 'a posted allowance',
        'written_off' => 'a written-off debt',
        'supplier_matches' => 'a match of the payables side',
        'rates_accepted' => 'an accepted rate',
        'approval_requests' => 'a request for approval',
        'approval_answers' => 'an answer to a request',
        'signatures' => 'a signature',
        'check_reasons' => 'a reason',
        'reopenings' => 'a reopening',
    ];

    public function up(): void
    {
        DB::unprepared("ALTER TABLE customers ADD COLUMN related INTEGER NOT NULL DEFAULT 0;
            ALTER TABLE customers ADD COLUMN region TEXT NOT NULL DEFAULT '';
            ALTER TABLE customers ADD COLUMN salesperson TEXT NOT NULL DEFAULT '';
            ALTER TABLE users ADD COLUMN disabled_at TEXT;
            ALTER TABLE rates ADD COLUMN source TEXT NOT NULL DEFAULT 'a file'; -- or why a person typed it, and who
            CREATE TABLE calendar_periods (
                id INTEGER PRIMARY KEY,
                name TEXT NOT NULL UNIQUE,
                first TEXT NOT NULL,
                last TEXT NOT NULL CHECK (last >= first)
            );
            CREATE TABLE instalments (
                id INTEGER PRIMARY KEY,
                item_id INTEGER NOT NULL REFERENCES items (id),
                due_date TEXT NOT NULL,
                amount INTEGER NOT NULL CHECK (amount > 0),
                recorded_at TEXT NOT NULL,
                superseded_at TEXT
            );
            CREATE INDEX instalments_item ON instalments (item_id);
            CREATE INDEX items_currency ON items (control_account_id, currency, customer_id);");
        $this->allowance();
        DB::unprepared("CREATE TABLE written_off (
                item_id INTEGER PRIMARY KEY REFERENCES items (id),   -- the write-off
                debt_item_id INTEGER NOT NULL REFERENCES items (id), -- what it settles
                ground TEXT NOT NULL,
                evidence TEXT NOT NULL,
                tax_on TEXT,                   -- the day on which the conditions for the tax were met; null: no tax came back
                from_allowance INTEGER NOT NULL CHECK (from_allowance >= 0), -- base currency
                cost INTEGER NOT NULL CHECK (cost >= 0),                     -- to impairment loss, base currency
                tax INTEGER NOT NULL CHECK (tax >= 0),                       -- base currency
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX written_off_debt ON written_off (debt_item_id);
            CREATE TABLE approval_requests (
                id INTEGER PRIMARY KEY,
                kind TEXT NOT NULL,
                payload TEXT NOT NULL,  -- what was asked for, JSON: the plan is worked out of it again
                digest TEXT NOT NULL,   -- of the plan that was seen
                title TEXT NOT NULL,
                total INTEGER NOT NULL, -- base currency
                why TEXT NOT NULL,      -- it needs a second person
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE signatures (
                id INTEGER PRIMARY KEY,
                period TEXT NOT NULL,
                role TEXT NOT NULL CHECK (role IN ('preparer', 'reviewer')),
                digest TEXT NOT NULL,   -- of the figures that were signed
                figures TEXT NOT NULL,  -- JSON, by name
                evidence TEXT NOT NULL, -- day and evidence of an outside person, or blank
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX signatures_period ON signatures (period);
            CREATE TABLE check_reasons (
                id INTEGER PRIMARY KEY,
                period TEXT NOT NULL,
                name TEXT NOT NULL,     -- of the check
                reason TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX check_reasons_period ON check_reasons (period);
            CREATE TABLE reopenings (
                id INTEGER PRIMARY KEY,
                period TEXT NOT NULL,
                reason TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE approval_answers (
                request_id INTEGER PRIMARY KEY REFERENCES approval_requests (id),
                answer TEXT NOT NULL,   -- approved, sent_back
                words TEXT NOT NULL,
                result INTEGER,         -- what the posting came to
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE rates_accepted (
                id INTEGER PRIMARY KEY,
                currency TEXT NOT NULL,
                date TEXT NOT NULL,
                rate TEXT NOT NULL,
                quoted TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE supplier_matches (
                id INTEGER PRIMARY KEY,
                date TEXT NOT NULL,
                bill_id INTEGER NOT NULL REFERENCES supplier_items (id),
                credit_id INTEGER NOT NULL REFERENCES supplier_items (id),
                amount INTEGER NOT NULL CHECK (amount > 0),
                recorded_at TEXT NOT NULL,
                UNIQUE (date, bill_id, credit_id)
            )");
        foreach (self::KEPT as $table => $what) {
            foreach (['UPDATE' => ['keep', 'changed'], 'DELETE' => ['stay', 'deleted']] as $event => [$name, $done]) {
                DB::unprepared("CREATE TRIGGER {$table}_{$name} BEFORE {$event} ON {$table}
                    BEGIN SELECT RAISE(ABORT, '{$what} is never {$done}'); END");
            }
        }
        foreach (['calendar_periods', 'instalments', ...array_keys(self::KEPT)] as $table) {
            $this->watch($table);
        }
        $this->watchCustomers();
    }

    /** What moves a customer on the aged list beside its items. */
    private function watchCustomers(): void
    {
        $of = static fn (string $item): string => "(SELECT customer_id FROM items WHERE id = {$item})";
        $sources = [
            ['instalments', 'INSERT', $of('NEW.item_id')], ['instalments', 'UPDATE', $of('NEW.item_id')],
            ['contested_ends', 'INSERT', '(SELECT i.customer_id FROM contested c JOIN items i ON i.id = c.item_id
                WHERE c.id = NEW.contested_id)'],
        ];
        foreach ($sources as [$table, $event, $customer]) {
            $name = strtolower($event);
            DB::unprepared("CREATE TRIGGER {$table}_customer_{$name} AFTER {$event} ON {$table} BEGIN
                UPDATE changes SET counter = counter + 1 WHERE name = 'customers moved';
                INSERT INTO customer_changes (customer_id, counter) VALUES ({$customer}, (SELECT counter FROM changes
                    WHERE name = 'customers moved'))
                    ON CONFLICT (customer_id) DO UPDATE SET counter = excluded.counter;
                END");
        }
    }

    private function allowance(): void
    {
        DB::unprepared("CREATE TABLE allowance_rates (
                id INTEGER PRIMARY KEY,
                customer_group TEXT NOT NULL,  -- blank: all others
                bucket TEXT NOT NULL,
                rate TEXT NOT NULL,            -- percent
                source TEXT NOT NULL DEFAULT '',
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX allowance_rates_bucket ON allowance_rates (customer_group, bucket);
            CREATE TABLE specific_allowances (
                id INTEGER PRIMARY KEY,
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                item_id INTEGER REFERENCES items (id), -- null: the customer as a whole
                amount INTEGER CHECK (amount >= 0),    -- base currency; nil ends it
                percent TEXT,
                reason TEXT NOT NULL,
                review TEXT,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL,
                CHECK ((amount IS NULL) <> (percent IS NULL))
            );
            CREATE INDEX specific_allowances_customer ON specific_allowances (customer_id);
            CREATE TABLE overlays (
                id INTEGER PRIMARY KEY,
                amount INTEGER NOT NULL,               -- base currency
                reason TEXT NOT NULL,
                review TEXT,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE overlays_ended (
                overlay_id INTEGER PRIMARY KEY REFERENCES overlays (id),
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE allowance_posted (
                id INTEGER PRIMARY KEY,
                run_id INTEGER NOT NULL REFERENCES runs (id),
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                item_id INTEGER REFERENCES items (id),
                amount INTEGER NOT NULL CHECK (amount > 0) -- what stands specifically for it after the run, base currency
            );
            CREATE INDEX allowance_posted_run ON allowance_posted (run_id);");
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
