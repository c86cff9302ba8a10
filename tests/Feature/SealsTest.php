<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\KeepNote;
use App\Actions\ReverseSettlement;
use App\Queries\Verification;
use App\Support\Anchor;
use App\Support\Books;
use App\Support\SealedLists;
use App\Support\Seals;
use Closure;
use Illuminate\Support\Facades\DB;

/** Whoever changes what was posted behind the program's back is found, by table, whichever column it is. */
final class SealsTest extends BooksTestCase
{
    /** Changed or struck until something else makes them final, or with a key of two columns. */
    private const NOT_SEALED = [
        'audit', 'batches', 'collections', 'collection_debits', 'collection_items', 'supplier_contra_bills', 'seals',
        'sealed_keys',
    ];

    public function test_every_table_that_is_kept_by_a_trigger_is_sealed(): void
    {
        $kept = [];
        foreach (array_keys(Books::schema()) as $name) {
            if (preg_match('/^trigger (\w+)_keep$/D', $name, $found) === 1 && ! in_array($found[1], self::NOT_SEALED, true)) {
                $kept[] = $found[1];
            }
        }
        $sealed = array_diff([...Seals::NUMBERED, ...array_keys(Seals::KEYED)], ['audit_records']);
        sort($sealed);
        sort($kept);
        self::assertSame($kept, $sealed);
    }

    public function test_a_change_of_any_column_of_what_was_posted_is_found_and_named(): void
    {
        $this->work();
        $this->assertBooksHold();
        $this->unguarded(fn () => self::assertGreaterThan(60, $this->tamperWithAll()));
    }

    private function tamperWithAll(): int
    {
        $tried = 0;
        foreach ([...Seals::NUMBERED, ...array_keys(Seals::KEYED)] as $table) {
            $key = Seals::KEYED[$table] ?? 'id';
            $row = DB::table($table)->max($key);
            $columns = $row === null ? [] : array_column(DB::select("SELECT name FROM pragma_table_info('{$table}')"), 'name');
            foreach (array_diff($columns, ['superseded_at', $key]) as $column) {
                $this->tampered("UPDATE {$table} SET {$column} = coalesce({$column}, '') || '7' WHERE {$key} = {$row}", $table);
                $tried++;
            }
            if ($columns !== []) {
                $this->tampered("DELETE FROM {$table} WHERE {$key} = {$row}", $table);
            }
        }

        return $tried;
    }

    /** A digest that was taken ahead is that of rows which came as they were: any others are worked out when they are sealed. */
    public function test_a_digest_that_was_taken_ahead_holds_for_its_rows_alone(): void
    {
        $this->work();
        $note = fn (string $key): int => app(KeepNote::class)->post($key, 'station proof', 'a note', '', null);
        $last = (int) DB::table('notes')->max('id');
        $ahead = static fn (int $from): array => ['notes' => ['from' => $from, 'through' => $from + 1, 'digest' => 'of something else']];
        Seals::with($ahead($last + 5), static fn (): int => $note('other-rows'));
        self::assertSame([], Seals::faults());
        Seals::with($ahead($last + 1), static fn (): int => $note('these-rows'));
        self::assertStringContainsString('Rows of notes', implode(' ', Seals::faults()));
    }

    public function test_rows_that_were_added_or_seals_that_were_taken_away_are_found(): void
    {
        $this->work();
        $this->unguarded(function (): void {
            $this->tampered('INSERT INTO match_reversals SELECT 1, date, reason, who, recorded_at FROM match_reversals', 'were added');
            $this->tampered(
                'INSERT INTO notes SELECT 9, subject, text, link, file_name, file_sha256, file_bytes, who, recorded_at FROM notes',
                'Rows of notes were added',
            );
            foreach (
                ['row_id', 'control_account_id', 'customer_id', 'amount', 'matched', 'moved', 'last_moved_on', 'settled_on'] as $column
            ) {
                $this->tampered("UPDATE item_positions SET {$column} = coalesce({$column}, 0) + 1 WHERE item_id = 1", 'The position of I1');
            }
            $this->tampered('DELETE FROM item_positions WHERE item_id = 1', 'The position of I1');
            $this->tampered('DELETE FROM seals WHERE id = (SELECT max(id) FROM seals)', 'were added');
            $this->tampered('DELETE FROM seals WHERE id = 1', 'seals are broken');
            $this->tampered("UPDATE seals SET body = replace(body, '\"items\"', '\"itemx\"')", 'seals are broken');
        });
    }

    public function test_a_list_that_was_changed_beside_the_program_is_found_and_never_sealed_over(): void
    {
        $this->work();
        $this->unguarded(function (): void {
            foreach (array_keys(SealedLists::LISTS) as $list) {
                foreach (array_column(DB::select("SELECT name FROM pragma_table_info('{$list}') WHERE pk = 0"), 'name') as $column) {
                    if (DB::table($list)->exists()) {
                        $this->tampered("UPDATE {$list} SET {$column} = coalesce({$column}, '') || '7'", "Rows of {$list}");
                    }
                }
            }
        });
        $rename = fn (string $to) => $this->import(['customers.csv' => "customer,name,currency\nC2,{$to},EUR\n"]);
        $rename('Dos y Media');
        $this->assertBooksHold();
        DB::table('customers')->where('customer', 'C1')->update(['iban' => 'GB29NWBK60161331926819']);
        $found = ['Rows of customers were changed beside the program.'];
        self::assertSame($found, Seals::faults());
        $rename('Dos');
        self::assertSame($found, Seals::faults());
    }

    public function test_a_chain_that_was_rewritten_as_a_whole_is_found_by_the_anchor_beside_the_books(): void
    {
        $this->work();
        $anchor = "{$this->folder}/books.sqlite.anchor";
        $kept = (string) file_get_contents($anchor);
        self::assertSame(implode(' ', (array) Anchor::head())."\n", $kept);
        $this->unguarded(function (): void {
            DB::statement('UPDATE postings SET base = base * 10');
            DB::statement('DELETE FROM seals');
            DB::statement('UPDATE sealed_keys SET seal_id = NULL');
            Seals::close();
            self::assertSame([], Seals::faults(), 'by itself it holds');
            self::assertStringContainsString('the books were rewritten', implode(' ', app(Verification::class)->faults()));
            Anchor::drop();
        });
        self::assertSame($kept, file_get_contents($anchor), 'the anchor of other seals is left as it is');
        app(KeepNote::class)->post('more', 'item 1', 'again', '', null);
        self::assertNotSame($kept, file_get_contents($anchor));
        $this->assertBooksHold();
        self::assertSame(implode(' ', (array) Anchor::head()), Seals::headAt('9999'));
    }

    private function work(): void
    {
        $this->importBasics([
            'items.csv' => self::items([
                'I1,invoice,C1,2026-10-02,2026-11-02,EUR,100.00,100.00,,,E1,',
                'R1,receipt,C1,2026-10-20,,EUR,30.00,30.00,,,E2,',
                'R2,receipt,C1,2026-10-21,,EUR,20.00,20.00,,,E3,',
            ]),
            'ledger.csv' => self::ledger([
                'E1,2026-10-02,1100,s,100.00,,I1,', 'E2,2026-10-20,1100,s,,30.00,R1,', 'E3,2026-10-21,1100,s,,20.00,R2,',
            ]),
            'matches.csv' => "date,debit_document,credit_document,amount\n2026-10-20,I1,R1,30.00\n",
        ]);
        $settlement = $this->match('C1', ['I1' => '20.00', 'R2' => '20.00']);
        app(ReverseSettlement::class)->post('back', $settlement, '2026-10-31', 'wrong customer');
        app(KeepNote::class)->post('note', 'item 1', 'asked for it', '', null);
    }

    /** With no trigger in the way; all is as it was afterwards. */
    private function unguarded(Closure $do): void
    {
        DB::statement('PRAGMA ignore_check_constraints = ON');
        DB::beginTransaction();
        DB::statement('PRAGMA defer_foreign_keys = ON');
        foreach (DB::select("SELECT name FROM sqlite_master WHERE type = 'trigger'") as $trigger) {
            DB::statement("DROP TRIGGER {$trigger->name}");
        }
        $do();
        DB::rollBack();
        $this->assertBooksHold();
    }

    private function tampered(string $sql, string $says): void
    {
        DB::beginTransaction();
        DB::statement($sql);
        self::assertStringContainsString($says, implode(' ', app(Verification::class)->faults()), $sql);
        DB::rollBack();
    }
}
