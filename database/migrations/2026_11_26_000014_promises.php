<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/* What customers promise to pay, and the security that is held for what they owe. */
return new class extends Migration
{
    private const KEPT = [
        'promises' => 'a promise',
        'promises_ended' => 'the end of a promise',
        'securities' => 'a security',
        'securities_ended' => 'the end of a security',
    ];

    public function up(): void
    {
        DB::unprepared('CREATE TABLE promises (
                id INTEGER PRIMARY KEY,
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                given_on TEXT NOT NULL,
                pay_by TEXT NOT NULL CHECK (pay_by >= given_on),
                currency TEXT NOT NULL,
                amount INTEGER NOT NULL CHECK (amount > 0),
                by_whom TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX promises_customer ON promises (customer_id);
            CREATE TABLE promises_ended (
                id INTEGER PRIMARY KEY,
                promise_id INTEGER NOT NULL UNIQUE REFERENCES promises (id),
                reason TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE securities (
                id INTEGER PRIMARY KEY,
                customer_id INTEGER NOT NULL REFERENCES customers (id),
                what TEXT NOT NULL,
                reference TEXT NOT NULL,
                valid_until TEXT NOT NULL,  -- day, or blank
                currency TEXT NOT NULL,
                amount INTEGER NOT NULL CHECK (amount > 0),
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX securities_customer ON securities (customer_id);
            CREATE TABLE securities_ended (
                id INTEGER PRIMARY KEY,
                security_id INTEGER NOT NULL UNIQUE REFERENCES securities (id),
                reason TEXT NOT NULL,
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );');
        foreach (self::KEPT as $table => $what) {
            DB::unprepared("CREATE TRIGGER {$table}_keep BEFORE UPDATE ON {$table}
                BEGIN SELECT RAISE(ABORT, '{$what} is never changed'); END;
                CREATE TRIGGER {$table}_stay BEFORE DELETE ON {$table} BEGIN SELECT RAISE(ABORT, '{$what} is never deleted'); END;");
            DB::table('changes')->insertOrIgnore(['name' => $table, 'counter' => 0]);
            foreach (['INSERT', 'UPDATE', 'DELETE'] as $event) {
                $name = strtolower($event);
                DB::unprepared("CREATE TRIGGER {$table}_count_{$name} AFTER {$event} ON {$table}
                    BEGIN UPDATE changes SET counter = counter + 1 WHERE name = '{$table}'; END");
            }
        }
    }
};
