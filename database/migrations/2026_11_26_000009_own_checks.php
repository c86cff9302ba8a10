<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Checks of a firm's own before a period is signed, done by hand. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("CREATE TABLE own_checks (
                id INTEGER PRIMARY KEY,
                words TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE own_checks_ended (
                check_id INTEGER PRIMARY KEY REFERENCES own_checks (id),
                reason TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TRIGGER own_checks_ended_to_seal AFTER INSERT ON own_checks_ended
                BEGIN INSERT INTO sealed_keys (name, key) VALUES ('own_checks_ended', NEW.check_id); END;");
        foreach (['own_checks' => 'a check', 'own_checks_ended' => 'the end of a check'] as $table => $what) {
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
