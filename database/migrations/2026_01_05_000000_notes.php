<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Notes, attached files and links. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(dirname(__DIR__).'/notes.sql'));
    }
};
