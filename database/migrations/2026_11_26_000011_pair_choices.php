<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* How much of single items and bills of a contra's pairs a person lets be set off. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("CREATE TABLE pair_choices (
                id INTEGER PRIMARY KEY,
                account_id INTEGER NOT NULL REFERENCES accounts (id),
                as_of TEXT NOT NULL,
                item_id INTEGER REFERENCES items (id),
                supplier_item_id INTEGER REFERENCES supplier_items (id),
                amount INTEGER CHECK (amount >= 0),  -- in its currency; none: the rule decides again; the last one holds
                reason TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL,
                CHECK ((item_id IS NULL) <> (supplier_item_id IS NULL))
            );
            CREATE INDEX pair_choices_run ON pair_choices (account_id, as_of);
            CREATE TRIGGER pair_choices_keep BEFORE UPDATE ON pair_choices
                BEGIN SELECT RAISE(ABORT, 'a decision about a pair is never changed'); END;
            CREATE TRIGGER pair_choices_stay BEFORE DELETE ON pair_choices
                BEGIN SELECT RAISE(ABORT, 'a decision about a pair is never deleted'); END;");
        DB::table('changes')->insertOrIgnore(['name' => 'pair_choices', 'counter' => 0]);
        foreach (['INSERT', 'UPDATE', 'DELETE'] as $event) {
            $name = strtolower($event);
            DB::unprepared("CREATE TRIGGER pair_choices_count_{$name} AFTER {$event} ON pair_choices
                BEGIN UPDATE changes SET counter = counter + 1 WHERE name = 'pair_choices'; END");
        }
    }
};
