<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Items that a match took something of are few among those open; what looks only at them need not read all. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("CREATE INDEX positions_moved ON item_positions (control_account_id, settled_on) WHERE last_moved_on <> ''");
    }
};
