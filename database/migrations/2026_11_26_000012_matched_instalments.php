<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* The instalment of an invoice that a settlement was meant for. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("CREATE TABLE matched_instalments (
                id INTEGER PRIMARY KEY,
                settlement_id INTEGER NOT NULL REFERENCES settlements (id),
                item_id INTEGER NOT NULL REFERENCES items (id),
                due_date TEXT NOT NULL,
                UNIQUE (item_id, settlement_id)
            );
            CREATE TRIGGER matched_instalments_keep BEFORE UPDATE ON matched_instalments
                BEGIN SELECT RAISE(ABORT, 'what a settlement was meant for is never changed'); END;
            CREATE TRIGGER matched_instalments_stay BEFORE DELETE ON matched_instalments
                BEGIN SELECT RAISE(ABORT, 'what a settlement was meant for is never deleted'); END;");
        DB::table('changes')->insertOrIgnore(['name' => 'matched_instalments', 'counter' => 0]);
        foreach (['INSERT', 'UPDATE', 'DELETE'] as $event) {
            $name = strtolower($event);
            DB::unprepared("CREATE TRIGGER matched_instalments_count_{$name} AFTER {$event} ON matched_instalments
                BEGIN UPDATE changes SET counter = counter + 1 WHERE name = 'matched_instalments'; END");
        }
    }
};
