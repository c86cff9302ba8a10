<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** With the customers in it, each item of a large file fell at another place of the index; now it is the last of its currency. */
    public function up(): void
    {
        DB::unprepared('DROP INDEX items_currency;
            CREATE INDEX items_currency ON items (control_account_id, currency);');
    }
};
