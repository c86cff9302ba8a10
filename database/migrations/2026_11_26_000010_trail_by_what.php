<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* The trail is asked for the last of a kind, such as the last backup, also where there was none. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('CREATE INDEX audit_records_what ON audit_records (what, id)');
    }
};
