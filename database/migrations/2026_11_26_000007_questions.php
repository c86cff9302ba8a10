<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Questions about an item, a customer or a cause: to whom, by when, and the answer. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("CREATE TABLE questions (
                id INTEGER PRIMARY KEY,
                subject TEXT NOT NULL,
                text TEXT NOT NULL,
                to_whom TEXT NOT NULL,
                by_day TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX questions_subject ON questions (subject);
            CREATE TABLE question_answers (
                question_id INTEGER PRIMARY KEY REFERENCES questions (id),
                answer TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TRIGGER question_answers_to_seal AFTER INSERT ON question_answers
                BEGIN INSERT INTO sealed_keys (name, key) VALUES ('question_answers', NEW.question_id); END;");
        foreach (['questions' => 'a question', 'question_answers' => 'an answer'] as $table => $what) {
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
