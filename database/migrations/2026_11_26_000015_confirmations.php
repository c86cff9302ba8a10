<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Customers who were asked to confirm their balance, and what they answered. */
return new class extends Migration
{
    private const KEPT = [
        'confirmations' => 'a sample',
        'confirmation_letters' => 'a letter of a sample',
        'confirmation_answers' => 'an answer to a letter',
    ];

    public function up(): void
    {
        DB::unprepared('CREATE TABLE confirmations (
                id INTEGER PRIMARY KEY,
                account_id INTEGER NOT NULL REFERENCES accounts (id),
                as_of TEXT NOT NULL,
                rule TEXT NOT NULL,
                says TEXT NOT NULL,         -- the rule in words, with its number, seed or amount
                reply_to TEXT NOT NULL,     -- where the slip goes
                population INTEGER NOT NULL,  -- customers with a balance
                balance INTEGER NOT NULL,   -- of them all, base currency
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE confirmation_letters (
                id INTEGER PRIMARY KEY,
                confirmation_id INTEGER NOT NULL REFERENCES confirmations (id),
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                balance INTEGER NOT NULL,   -- base currency, debit-positive
                UNIQUE (confirmation_id, customer_id)
            );
            CREATE TABLE confirmation_answers (
                id INTEGER PRIMARY KEY,
                letter_id INTEGER NOT NULL REFERENCES confirmation_letters (id), -- the last one holds
                agrees INTEGER NOT NULL CHECK (agrees IN (0, 1)),
                difference INTEGER NOT NULL, -- what the customer says more, base currency
                words TEXT NOT NULL,        -- documents and reasons
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX confirmation_answers_letter ON confirmation_answers (letter_id);');
        foreach (self::KEPT as $table => $what) {
            DB::unprepared("CREATE TRIGGER {$table}_keep BEFORE UPDATE ON {$table}
                BEGIN SELECT RAISE(ABORT, '{$what} is never changed'); END;
                CREATE TRIGGER {$table}_stay BEFORE DELETE ON {$table} BEGIN SELECT RAISE(ABORT, '{$what} is never deleted'); END;");
            DB::table('changes')->insertOrIgnore(['name' => $table, 'counter' => 0]);
            foreach (['INSERT', 'UPDATE', 'DELETE'] as $event) {
                $name = strtolower($event);
                DB::unprepared("CREATE TRIGGER {$table}_count_{$name} AFTER {$event} ON {$table}
                    BEGIN UPDATE changes SET counter = counter + 1 WHERE name = '{$table}'; END");
            }
        }
    }
};
