<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Rows that came with a date in a locked period, and what persons decided about them. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("CREATE TABLE late_rows (
                id INTEGER PRIMARY KEY,
                import_file_id INTEGER NOT NULL REFERENCES import_files (id) DEFERRABLE INITIALLY DEFERRED,
                row INTEGER NOT NULL,
                kind TEXT NOT NULL,          -- items, ledger or matches
                content TEXT NOT NULL,       -- the row as it was read, JSON by column
                digest TEXT NOT NULL UNIQUE, -- of kind and content: the same row in a later file is the same news
                date TEXT NOT NULL,
                name TEXT NOT NULL,          -- the document or entry that it is of
                expected TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE late_decisions (
                late_id INTEGER PRIMARY KEY REFERENCES late_rows (id),
                decision TEXT NOT NULL CHECK (decision IN ('taken', 'left')),
                date TEXT,                   -- on which it was taken in
                reason TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TRIGGER late_decisions_to_seal AFTER INSERT ON late_decisions
                BEGIN INSERT INTO sealed_keys (name, key) VALUES ('late_decisions', NEW.late_id); END;");
        foreach (['late_rows' => 'late news', 'late_decisions' => 'a decision'] as $table => $what) {
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
