<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Requests of runs and those of all else become one kind, which says what it is about. */
return new class extends Migration
{
    private const KEPT = ['approval_requests' => 'a request for approval', 'approval_answers' => 'an answer to a request'];

    public function up(): void
    {
        DB::unprepared("CREATE TEMP TABLE asked AS SELECT * FROM approval_requests;
            CREATE TEMP TABLE answered AS SELECT * FROM approval_answers;
            DROP TABLE approval_answers;
            DROP TABLE approval_requests;
            CREATE TABLE approval_requests (
                id INTEGER PRIMARY KEY,
                kind TEXT NOT NULL,
                subject TEXT NOT NULL,  -- what it is about: of one subject one request waits at most
                payload TEXT NOT NULL,  -- what was asked for, JSON: the plan is worked out of it again
                digest TEXT NOT NULL,   -- of the plan that was seen
                title TEXT NOT NULL,
                total INTEGER NOT NULL, -- base currency
                why TEXT NOT NULL,      -- it needs a second person
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX approval_requests_subject ON approval_requests (kind, subject);
            CREATE TABLE approval_answers (
                request_id INTEGER PRIMARY KEY REFERENCES approval_requests (id),
                answer TEXT NOT NULL CHECK (answer IN ('approved', 'sent_back', 'withdrawn')),
                words TEXT NOT NULL,
                result INTEGER,         -- what the posting came to
                who TEXT NOT NULL,      -- or the outside person, with the one who keeps the books
                recorded_at TEXT NOT NULL
            );
            INSERT INTO approval_requests (id, kind, subject, payload, digest, title, total, why, who, recorded_at)
                SELECT id, kind, 'request ' || id, payload, digest, title, total, why, who, recorded_at FROM asked;
            INSERT INTO approval_answers SELECT request_id, answer, words, result, who, recorded_at FROM answered;
            INSERT INTO approval_requests (id, kind, subject, payload, digest, title, total, why, who, recorded_at)
                SELECT id + (SELECT coalesce(max(id), 0) FROM asked), 'run', kind || ' ' || account_id || ' ' || as_of,
                    json_object('run', kind, 'account', account_id, 'as_of', as_of), digest,
                    replace(kind, '_', ' ') || ' as of ' || as_of, total, why, who, recorded_at FROM run_requests;
            INSERT INTO approval_answers
                SELECT request_id + (SELECT coalesce(max(id), 0) FROM asked), answer, words, run_id, who, recorded_at
                    FROM run_request_answers;
            DROP TABLE asked;
            DROP TABLE answered;
            DROP TABLE run_request_answers;
            DROP TABLE run_requests;
            DELETE FROM changes WHERE name IN ('run_requests', 'run_request_answers')");
        foreach (self::KEPT as $table => $what) {
            foreach (['UPDATE' => ['keep', 'changed'], 'DELETE' => ['stay', 'deleted']] as $event => [$name, $done]) {
                DB::unprepared("CREATE TRIGGER {$table}_{$name} BEFORE {$event} ON {$table}
                    BEGIN SELECT RAISE(ABORT, '{$what} is never {$done}'); END");
            }
            foreach (['INSERT', 'UPDATE', 'DELETE'] as $event) {
                $name = strtolower($event);
                DB::unprepared("CREATE TRIGGER {$table}_count_{$name} AFTER {$event} ON {$table}
                    BEGIN UPDATE changes SET counter = counter + 1 WHERE name = '{$table}'; END");
            }
        }
    }
};
