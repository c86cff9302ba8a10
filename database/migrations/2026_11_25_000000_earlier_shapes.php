<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/*
 * Until now tables were changed in place, in the files that the first five migrations read. Books that were made with an earlier shape of
 * those files get what they lack: tables, columns, checks, indexes and triggers come to stand as in new books, every row stays.
 */
return new class extends Migration
{
    public function up(): void
    {
        $expected = $this->expected();
        $actual = $this->schema(DB::connection()->getPdo());
        if ($expected === array_intersect_key($actual, $expected)) {
            return;
        }
        DB::statement('PRAGMA legacy_alter_table = ON');
        try {
            $this->mend($expected, $actual);
        } finally {
            DB::statement('PRAGMA legacy_alter_table = OFF');
        }
    }

    /**
     * @param array<string, string> $expected statements by type and name
     * @param array<string, string> $actual
     */
    private function mend(array $expected, array $actual): void
    {
        $ours = fn (string $of): bool => $of !== 'table migrations' && ! str_contains($of, ' sqlite_');
        foreach (array_filter(array_keys($actual), fn (string $of): bool => $ours($of) && ! str_starts_with($of, 'table ')) as $of) {
            [$type, $name] = explode(' ', $of);
            DB::statement("DROP {$type} \"{$name}\"");
        }
        foreach ($expected as $of => $sql) {
            [$type, $name] = explode(' ', $of);
            if ($type === 'table' && ($actual[$of] ?? '') !== $sql) {
                isset($actual[$of]) ? $this->rebuild($name, $sql) : DB::statement($sql);
            }
        }
        isset($actual['table bank_lines']) && $this->carryBankLines();
        foreach ($expected as $of => $sql) {
            str_starts_with($of, 'table ') || DB::statement($sql);
        }
    }

    /** The first shape knew lines of statements only, and one place for each. */
    private function carryBankLines(): void
    {
        $says = 'booking_date, value_date, currency, amount, charges, reference, end_to_end, party, party_account, remittance, is_reversal';
        DB::unprepared("INSERT INTO money_lines (id, statement_id, place, way, account_id, {$says})
                SELECT id, statement_id, place, 'statement', (SELECT account_id FROM bank_statements s WHERE s.id = statement_id), {$says}
                    FROM bank_lines;
            INSERT INTO placements (line_id, kind, item_id, voucher_id, reason, who, recorded_at)
                SELECT p.line_id, p.kind, p.item_id, (SELECT i.voucher_id FROM items i WHERE i.id = p.item_id),
                    p.reason, p.who, p.recorded_at FROM bank_placements p;
            DROP TABLE bank_placements;
            DROP TABLE bank_lines;");
    }

    /** The table as it is to be, with the rows that it had. */
    private function rebuild(string $table, string $sql): void
    {
        $columns = fn (string $of): array => array_column(DB::select("PRAGMA table_info(\"{$of}\")"), 'name');
        $had = $columns($table);
        DB::statement("ALTER TABLE \"{$table}\" RENAME TO earlier_{$table}");
        DB::statement($sql);
        $both = implode(', ', array_map(static fn (string $column): string => "\"{$column}\"", array_intersect($columns($table), $had)));
        DB::statement("INSERT INTO \"{$table}\" ({$both}) SELECT {$both} FROM earlier_{$table}");
        DB::statement("DROP TABLE earlier_{$table}");
    }

    /** @return array<string, string> the schema that the first five files make */
    private function expected(): array
    {
        $fresh = new PDO('sqlite::memory:');
        foreach (['books', 'bank', 'proof', 'unapplied', 'notes'] as $file) {
            $fresh->exec((string) file_get_contents(dirname(__DIR__)."/{$file}.sql"));
        }

        return $this->schema($fresh);
    }

    /** @return array<string, string> statements by type and name, tables first */
    private function schema(PDO $pdo): array
    {
        $rows = $pdo->query("SELECT type || ' ' || name, sql FROM sqlite_master WHERE sql IS NOT NULL
            ORDER BY type <> 'table', type, name");

        return $rows === false ? [] : $rows->fetchAll(PDO::FETCH_KEY_PAIR);
    }
};
