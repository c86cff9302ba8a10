<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* Passwords, second factors and links are kept in one file beside the books; it has taken them over before this (PeopleFile). */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("DROP TABLE recovery_codes;
            DROP TABLE sign_in_links;
            DELETE FROM changes WHERE name IN ('recovery_codes', 'sign_in_links');
            ALTER TABLE users DROP COLUMN password;
            ALTER TABLE users DROP COLUMN remember_token;
            ALTER TABLE users DROP COLUMN second_factor;
            ALTER TABLE users DROP COLUMN second_factor_step;");
    }
};
