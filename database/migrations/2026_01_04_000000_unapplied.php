<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Runs of matches, and what is left loose on purpose. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(dirname(__DIR__).'/unapplied.sql'));
    }
};
