<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** A placement is looked for by its voucher, a line of a statement by the reference that was sent along. */
    public function up(): void
    {
        DB::unprepared('CREATE INDEX placements_voucher ON placements (voucher_id) WHERE voucher_id IS NOT NULL;
            CREATE INDEX money_lines_end_to_end ON money_lines (end_to_end);');
    }
};
