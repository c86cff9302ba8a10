<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/*
 * The books. Money is whole minor units with its currency beside it; days are ISO text; signed base amounts are
 * debit-positive. What is posted is never changed or deleted (triggers below): a later version supersedes it, a reversal
 * stands beside it. Tables under "derived" can be rebuilt from the posted rows at any time (`./ajuste verify`).
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(dirname(__DIR__).'/books.sql'));
    }
};
