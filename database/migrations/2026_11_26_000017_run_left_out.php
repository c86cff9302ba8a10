<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* What a posted run left out, each with the one reason: the near misses of its policy among them. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("CREATE TABLE run_left_out (
                id INTEGER PRIMARY KEY,
                run_id INTEGER NOT NULL REFERENCES runs (id),
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                item_id INTEGER REFERENCES items (id),
                document TEXT NOT NULL,  -- of an item or a bill; blank: the customer as a whole
                currency TEXT NOT NULL,
                amount INTEGER NOT NULL,
                base INTEGER NOT NULL,
                why TEXT NOT NULL,
                near_miss INTEGER NOT NULL CHECK (near_miss IN (0, 1))
            );
            CREATE INDEX run_left_out_run ON run_left_out (run_id);
            CREATE TRIGGER run_left_out_keep BEFORE UPDATE ON run_left_out
                BEGIN SELECT RAISE(ABORT, 'what a run left out is never changed'); END;
            CREATE TRIGGER run_left_out_stay BEFORE DELETE ON run_left_out
                BEGIN SELECT RAISE(ABORT, 'what a run left out is never deleted'); END;");
    }
};
