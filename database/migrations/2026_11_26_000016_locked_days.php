<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* The database refuses what would take effect in a locked period, whoever writes it (R13). */
return new class extends Migration
{
    private const DATED = ['items', 'postings', 'vouchers', 'matches', 'match_reversals', 'item_reversals', 'contested', 'contested_ends'];

    public function up(): void
    {
        foreach (self::DATED as $table) {
            DB::unprepared("CREATE TRIGGER {$table}_not_locked BEFORE INSERT ON {$table}
                WHEN NEW.date <= (SELECT through FROM period_locks ORDER BY id DESC LIMIT 1)
                BEGIN SELECT RAISE(ABORT, 'the day is locked: nothing takes effect in a period that is signed'); END;");
        }
    }
};
