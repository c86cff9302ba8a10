<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* What a customer was to policies before a later file said otherwise: the months before are seen with it. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("CREATE TABLE customer_versions (
                id INTEGER PRIMARY KEY,
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                from_day TEXT NOT NULL,                 -- the first day on which it holds; blank: from the beginning
                customer_group TEXT NOT NULL,
                related INTEGER NOT NULL,
                credit_limit INTEGER,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX customer_versions_customer ON customer_versions (customer_id, from_day, id);
            CREATE TRIGGER customer_versions_keep BEFORE UPDATE ON customer_versions
                BEGIN SELECT RAISE(ABORT, 'what was said of a customer is never changed'); END;
            CREATE TRIGGER customer_versions_stay BEFORE DELETE ON customer_versions
                BEGIN SELECT RAISE(ABORT, 'what was said of a customer is never deleted'); END;
            INSERT INTO changes (name, counter) VALUES ('customer_versions', 0);
            CREATE TRIGGER customer_versions_count_insert AFTER INSERT ON customer_versions
                BEGIN UPDATE changes SET counter = counter + 1 WHERE name = 'customer_versions'; END;");
    }
};
