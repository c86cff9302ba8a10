<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* A promise to pay, or security held, may be for one document. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['promises', 'securities'] as $table) {
            DB::unprepared("ALTER TABLE {$table} ADD COLUMN item_id INTEGER REFERENCES items (id)");
        }
    }
};
