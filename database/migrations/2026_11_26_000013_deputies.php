<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Who stands in for a reviewer on days away. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('CREATE TABLE deputies (
                id INTEGER PRIMARY KEY,
                reviewer_id INTEGER NOT NULL REFERENCES users (id),
                deputy_id INTEGER NOT NULL REFERENCES users (id) CHECK (deputy_id <> reviewer_id),
                from_day TEXT NOT NULL,
                to_day TEXT NOT NULL CHECK (to_day >= from_day),
                reason TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE deputies_ended (
                id INTEGER PRIMARY KEY,
                deputy_row_id INTEGER NOT NULL UNIQUE REFERENCES deputies (id),
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );');
        foreach (['deputies' => 'a deputy', 'deputies_ended' => 'the end of a deputy'] as $table => $what) {
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
