<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/*
 * Money counts once, whatever brings it: a statement is known by its balances and no longer by its number, a movement knows the entry that
 * it belongs to, what may be the same as another is asked, and what is only pending is kept apart. Accounts know their number at the bank.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement("CREATE INDEX items_naming_entries ON items (control_account_id) WHERE import_file_id IS NOT NULL AND entry <> ''");
        DB::statement("ALTER TABLE accounts ADD COLUMN iban TEXT NOT NULL DEFAULT ''");
        DB::statement('ALTER TABLE money_lines ADD COLUMN entry INTEGER NOT NULL DEFAULT 0');
        DB::statement("ALTER TABLE money_lines ADD COLUMN entry_reference TEXT NOT NULL DEFAULT ''");
        $this->statementsByBalance();
        DB::unprepared("CREATE TABLE pending_movements (
                id INTEGER PRIMARY KEY,
                import_file_id INTEGER NOT NULL REFERENCES import_files (id) DEFERRABLE INITIALLY DEFERRED,
                account_id INTEGER NOT NULL REFERENCES accounts (id),
                bank_account TEXT NOT NULL,
                currency TEXT NOT NULL,
                booking_date TEXT NOT NULL,
                amount INTEGER NOT NULL,
                reference TEXT NOT NULL,
                party TEXT NOT NULL,
                remittance TEXT NOT NULL
            );
            CREATE INDEX pending_movements_account ON pending_movements (account_id, import_file_id);
            CREATE TABLE movement_questions (
                line_id INTEGER PRIMARY KEY REFERENCES money_lines (id),
                like_line_id INTEGER NOT NULL REFERENCES money_lines (id),
                recorded_at TEXT NOT NULL
            );
            CREATE TABLE movement_answers (
                id INTEGER PRIMARY KEY,
                line_id INTEGER NOT NULL REFERENCES movement_questions (line_id),
                answer TEXT NOT NULL CHECK (answer IN ('same', 'another')),
                who TEXT NOT NULL,
                recorded_at TEXT NOT NULL
            );
            CREATE INDEX movement_answers_line ON movement_answers (line_id);");
        foreach (['bank_statements', 'pending_movements', 'movement_questions', 'movement_answers'] as $table) {
            $this->watch($table);
        }
    }

    /** The table without the rule that a number of a day comes once: a notification may bear the number of the statement. */
    private function statementsByBalance(): void
    {
        DB::statement('PRAGMA legacy_alter_table = ON');
        DB::unprepared("CREATE TABLE mended_statements (
                id INTEGER PRIMARY KEY,
                import_file_id INTEGER NOT NULL REFERENCES import_files (id) DEFERRABLE INITIALLY DEFERRED,
                account_id INTEGER NOT NULL REFERENCES accounts (id),
                bank_account TEXT NOT NULL,
                currency TEXT NOT NULL,
                number TEXT NOT NULL,
                opening INTEGER,
                closing INTEGER,
                opening_date TEXT NOT NULL,
                closing_date TEXT NOT NULL
            );
            INSERT INTO mended_statements SELECT id, import_file_id, account_id, bank_account, currency, number, opening, closing,
                opening_date, closing_date FROM bank_statements;
            DROP TABLE bank_statements;
            ALTER TABLE mended_statements RENAME TO bank_statements;
            CREATE INDEX bank_statements_account ON bank_statements (bank_account, currency, closing_date);
            CREATE TRIGGER bank_statements_keep BEFORE UPDATE ON bank_statements
                BEGIN SELECT RAISE(ABORT, 'a bank statement is never changed'); END;
            CREATE TRIGGER bank_statements_stay BEFORE DELETE ON bank_statements
                BEGIN SELECT RAISE(ABORT, 'a bank statement is never deleted'); END;");
        DB::statement('PRAGMA legacy_alter_table = OFF');
    }

    private function watch(string $table): void
    {
        DB::table('changes')->insertOrIgnore(['name' => $table, 'counter' => 0]);
        foreach (['INSERT', 'UPDATE', 'DELETE'] as $event) {
            $name = strtolower($event);
            DB::unprepared("CREATE TRIGGER {$table}_count_{$name} AFTER {$event} ON {$table}
                BEGIN UPDATE changes SET counter = counter + 1 WHERE name = '{$table}'; END");
        }
    }
};
