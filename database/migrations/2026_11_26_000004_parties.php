<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/*
 * Agreements in versions, which a file or a person brings and a later one does not overwrite; and customers and suppliers that a person
 * found to be the same party, or not to be.
 */
return new class extends Migration
{
    private const AGREEMENT = 'customer_id, supplier_id, reference, from_date, to_date, currency, scope, who, recorded_at';

    public function up(): void
    {
        DB::unprepared("ALTER TABLE agreements RENAME TO agreements_before;
            CREATE TABLE agreements (
                id INTEGER PRIMARY KEY,
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                supplier_id INTEGER NOT NULL REFERENCES suppliers (id),
                reference TEXT NOT NULL,
                from_date TEXT NOT NULL,
                to_date TEXT NOT NULL DEFAULT '',
                currency TEXT NOT NULL,
                scope TEXT NOT NULL CHECK (scope IN ('due', 'all')),
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL,
                superseded_at TEXT
            );
            INSERT INTO agreements (id, customer_id, supplier_id, reference, from_date, to_date, currency, scope, who, recorded_at)
                SELECT id, customer_id, supplier_id, reference, from_date, to_date, currency, scope, 'a file',
                    strftime('%Y-%m-%dT%H:%M:%fZ', 'now') FROM agreements_before;
            DROP TABLE agreements_before;
            CREATE UNIQUE INDEX agreements_standing ON agreements (customer_id, supplier_id, reference, currency)
                WHERE superseded_at IS NULL;
            CREATE TABLE party_links (
                id INTEGER PRIMARY KEY,
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                supplier_id INTEGER NOT NULL REFERENCES suppliers (id),
                same INTEGER NOT NULL CHECK (same IN (0, 1)), -- the last one of a pair holds
                reason TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX party_links_pair ON party_links (customer_id, supplier_id);
            CREATE TRIGGER agreements_keep BEFORE UPDATE OF ".self::AGREEMENT." ON agreements
                BEGIN SELECT RAISE(ABORT, 'an agreement is never changed'); END;
            CREATE TRIGGER agreements_once BEFORE UPDATE OF superseded_at ON agreements WHEN OLD.superseded_at IS NOT NULL
                BEGIN SELECT RAISE(ABORT, 'an agreement is never changed'); END;
            CREATE TRIGGER agreements_stay BEFORE DELETE ON agreements BEGIN SELECT RAISE(ABORT, 'an agreement is never deleted'); END;
            CREATE TRIGGER party_links_keep BEFORE UPDATE ON party_links BEGIN SELECT RAISE(ABORT, 'a link is never changed'); END;
            CREATE TRIGGER party_links_stay BEFORE DELETE ON party_links BEGIN SELECT RAISE(ABORT, 'a link is never deleted'); END;");
        foreach (['agreements', 'party_links'] as $table) {
            DB::table('changes')->insertOrIgnore(['name' => $table, 'counter' => 0]);
            foreach (['INSERT', 'UPDATE', 'DELETE'] as $event) {
                $name = strtolower($event);
                DB::unprepared("CREATE TRIGGER {$table}_count_{$name} AFTER {$event} ON {$table}
                    BEGIN UPDATE changes SET counter = counter + 1 WHERE name = '{$table}'; END");
            }
        }
    }
};
