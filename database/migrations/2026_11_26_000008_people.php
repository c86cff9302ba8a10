<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Who looks after the people, second factors, and links by which a password is set. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('ALTER TABLE users ADD COLUMN administers INTEGER NOT NULL DEFAULT 0;
            ALTER TABLE users ADD COLUMN second_factor TEXT;            -- encrypted; null: none
            ALTER TABLE users ADD COLUMN second_factor_step INTEGER NOT NULL DEFAULT 0; -- of the last code that was taken
            ALTER TABLE users ADD COLUMN signed_in_at TEXT;
            CREATE TABLE sign_in_links (
                id INTEGER PRIMARY KEY,
                user_id INTEGER NOT NULL REFERENCES users (id),
                digest TEXT NOT NULL UNIQUE,
                holds_until TEXT NOT NULL,
                used_at TEXT
            );
            CREATE TABLE recovery_codes (
                id INTEGER PRIMARY KEY,
                user_id INTEGER NOT NULL REFERENCES users (id),
                digest TEXT NOT NULL,
                used_at TEXT
            );
            UPDATE users SET administers = 1 WHERE id = (SELECT min(id) FROM users WHERE disabled_at IS NULL);');
        foreach (['sign_in_links', 'recovery_codes'] as $table) {
            DB::table('changes')->insertOrIgnore(['name' => $table, 'counter' => 0]);
            foreach (['INSERT', 'UPDATE', 'DELETE'] as $event) {
                $name = strtolower($event);
                DB::unprepared("CREATE TRIGGER {$table}_count_{$name} AFTER {$event} ON {$table}
                    BEGIN UPDATE changes SET counter = counter + 1 WHERE name = '{$table}'; END");
            }
        }
    }
};
