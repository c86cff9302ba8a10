<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* What each transaction posted, sealed by a digest in a chain. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('CREATE TABLE seals (
                id INTEGER PRIMARY KEY,
                body TEXT NOT NULL,     -- how far each table reached, and the digests of what was new
                previous TEXT NOT NULL,
                digest TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE sealed_keys (
                name TEXT NOT NULL,     -- a table whose rows have no number of their own
                key INTEGER NOT NULL,
                seal_id INTEGER NOT NULL,
                PRIMARY KEY (name, key)
            ) WITHOUT ROWID;
            CREATE INDEX sealed_keys_seal ON sealed_keys (seal_id, name);');
        $kept = [
            'seals' => 'a seal',
            'sealed_keys' => 'a seal',
            'settings' => 'a policy',
            'period_locks' => 'a lock',
            'imports' => 'an import',
        ];
        foreach ($kept as $table => $what) {
            foreach (['keep' => ['UPDATE', 'changed'], 'stay' => ['DELETE', 'deleted']] as $name => [$event, $done]) {
                DB::unprepared("CREATE TRIGGER {$table}_{$name} BEFORE {$event} ON {$table}
                    BEGIN SELECT RAISE(ABORT, '{$what} is never {$done}'); END");
            }
        }
    }
};
