<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* A policy holds from a day on; what was said before had no day and holds from the beginning. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("ALTER TABLE settings ADD COLUMN from_day TEXT NOT NULL DEFAULT ''");
    }
};
