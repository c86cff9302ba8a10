<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* A policy is kept in versions: who said each, and why. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("ALTER TABLE settings ADD COLUMN who TEXT NOT NULL DEFAULT '';
            ALTER TABLE settings ADD COLUMN reason TEXT NOT NULL DEFAULT ''");
    }
};
