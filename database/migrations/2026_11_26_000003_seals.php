<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* What each transaction posted, sealed by a digest in a chain. */
return new class extends Migration
{
    /** Tables whose rows bear the number of what they are about, and that number's column. */
    private const KEYED = [
        'approval_answers' => 'request_id', 'collection_answers' => 'debit_id', 'collections_sent' => 'collection_id',
        'customer_blocks_lifted' => 'block_id', 'deposit_taxes' => 'item_id', 'item_reversals' => 'item_id', 'mandate_ends' => 'mandate_id',
        'match_reversals' => 'match_id', 'notes_struck' => 'note_id', 'overlays_ended' => 'overlay_id',
        'placement_reversals' => 'placement_id', 'run_reversals' => 'run_id',
        'run_settlements' => 'settlement_id', 'supplier_contras' => 'item_id', 'written_off' => 'item_id',
    ];

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
                name TEXT NOT NULL,     -- a table whose rows bear the number of what they are about
                key INTEGER NOT NULL,
                seal_id INTEGER,        -- null: only in the transaction that posts it
                PRIMARY KEY (name, key)
            ) WITHOUT ROWID;
            CREATE INDEX sealed_keys_seal ON sealed_keys (seal_id, name);');
        $kept = [
            'seals' => 'a seal',
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
        DB::unprepared("CREATE TRIGGER sealed_keys_keep BEFORE UPDATE ON sealed_keys WHEN OLD.seal_id IS NOT NULL
            BEGIN SELECT RAISE(ABORT, 'a seal is never changed'); END;
            CREATE TRIGGER sealed_keys_stay BEFORE DELETE ON sealed_keys
            BEGIN SELECT RAISE(ABORT, 'a seal is never deleted'); END;");
        foreach (self::KEYED as $table => $key) {
            DB::unprepared("INSERT INTO sealed_keys (name, key) SELECT '{$table}', {$key} FROM {$table};
                CREATE TRIGGER {$table}_to_seal AFTER INSERT ON {$table}
                BEGIN INSERT INTO sealed_keys (name, key) VALUES ('{$table}', NEW.{$key}); END;");
        }
    }
};
