<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Queries\ApprovalRequests;
use App\Queries\Drafts;
use App\Queries\Verification;
use App\Support\Books;
use App\Values\ApprovalKind;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** Books that an earlier version made come to stand as new ones, with a backup beside them; those of a later version are left alone. */
final class BooksOfOtherVersionsTest extends BooksTestCase
{
    /** A migration that has landed is never edited: books that ran it would not get what was changed. */
    private const LANDED = [
        '2026_01_01_000000_books.php' => '2983fd7b57bc5f85',
        '2026_01_02_000000_bank.php' => 'ee6d823ffd4aa532',
        '2026_01_03_000000_proof.php' => '956beb525f736fc4',
        '2026_01_04_000000_unapplied.php' => '3998ce7875ff2908',
        '2026_01_05_000000_notes.php' => '01bef24c3e57d401',
        '2026_11_25_000000_earlier_shapes.php' => '4d710119a3a1b110',
        '2026_11_25_000001_changes.php' => '3f3273834ce419f0',
        '2026_11_25_000002_money_once.php' => '7e5c7aed62d948df',
        '2026_11_26_000000_direct_debits.php' => '6fb25188c25e4f4f',
        '2026_11_26_000001_runs.php' => 'e1583ea4cf1ed614',
        '2026_11_26_000002_closing_lists.php' => '4f92c10d769786cc',
        '2026_11_26_000002_one_request.php' => '6334f470187aff38',
        '2026_11_26_000003_seals.php' => '3aa0a92000a06f58',
        '2026_11_26_000004_parties.php' => '133c4c5252456197',
        '2026_11_26_000005_policies.php' => 'e87583f92feca733',
        '2026_11_26_000006_late_news.php' => '41a93092d9941050',
        '2026_11_26_000007_questions.php' => '6e9037b6b7917504',
        '2026_11_26_000008_people.php' => 'c18419b48c4922b6',
        '2026_11_26_000009_own_checks.php' => '1bf4cd1881bb5048',
        '2026_11_26_000010_trail_by_what.php' => '599d5f03efbe1c6c',
        '2026_11_26_000011_pair_choices.php' => 'dd332885a4fc6122',
        '2026_11_26_000012_matched_instalments.php' => '3524b8266cdf556c',
        '2026_11_26_000013_deputies.php' => 'bcffb6d19ac7df55',
        '2026_11_26_000014_promises.php' => '05b1a2fa45cb015e',
        '2026_11_26_000015_confirmations.php' => '9672111d2b530e51',
        '2026_11_26_000016_locked_days.php' => '84ea25a2c161d5cf',
        '2026_11_26_000017_run_left_out.php' => '278ab1ff2ca144cc',
        '2026_11_26_000018_promises_on_documents.php' => 'c2e187025570d5de',
        '2026_11_26_000019_positions_moved.php' => '4f9a6067088f87a0',
        '2026_11_26_000020_policies_from_a_day.php' => '7fed947db65e7df0',
        '2026_11_26_000021_people_beside_the_books.php' => '44e7d8331e35d7c8',
        '2026_11_26_000022_customer_versions.php' => '6257a82bc6b01ec0',
        '2026_11_27_000023_guards_after.php' => '1b0dfe02a7ecc08e',
        '2026_11_27_000024_currencies_in_order.php' => '7ac25f44047beb0b',
        '2026_11_27_000025_found_by_what_they_name.php' => 'd0d730442763a211',
        'bank.sql' => '770872898cc29d3b',
        'books.sql' => '7907943f952f8d8e',
        'notes.sql' => 'd438480598a27fe3',
        'proof.sql' => '05100c3173a0a342',
        'unapplied.sql' => '1c7ca6e8948d9b73',
    ];

    /** @return iterable<string, array{string}> */
    public static function versions(): iterable
    {
        foreach ((array) glob(dirname(__DIR__).'/fixtures/books/*.sqlite.gz') as $file) {
            yield basename((string) $file, '.sqlite.gz') => [(string) $file];
        }
    }

    public function test_landed_migrations_are_as_they_landed(): void
    {
        $digests = [];
        foreach ([...(array) glob(database_path('migrations/*.php')), ...(array) glob(database_path('*.sql'))] as $file) {
            $digests[basename((string) $file)] = substr(hash_file('sha256', (string) $file), 0, 16);
        }
        self::assertSame(self::LANDED, $digests, 'A new migration is added to the list; one that is on it is never changed.');
    }

    #[DataProvider('versions')]
    public function test_they_migrate_to_exactly_the_schema_of_new_books(string $fixture): void
    {
        $new = Books::schema();
        $this->take($fixture);
        $rows = $this->rows();
        self::assertNotSame([], app(Verification::class)->faults(), 'verify tells that the schema is another one');
        $backup = app(Books::class)->open();
        self::assertSame($new, Books::schema());
        // Tables that became others: their rows are looked at below.
        $became = ['bank_lines' => 0, 'bank_placements' => 0, 'run_requests' => 0, 'run_request_answers' => 0];
        $kept = array_diff_key($rows, $became);
        self::assertSame($kept, array_intersect_key($this->rows(), $kept));
        self::assertSame([], $this->faults());
        self::assertFileExists((string) $backup);
        self::assertNull(app(Books::class)->open(), 'a second time there is nothing to do');
        $this->match('C1', ['I1' => '', 'R1' => '']);
        self::assertSame('0.00', $this->report('proof')['difference']);
        self::assertSame([], $this->faults());
    }

    public function test_lines_of_the_first_shape_are_carried_over(): void
    {
        $this->take(dirname(__DIR__).'/fixtures/books/1-receipts.sqlite.gz');
        app(Books::class)->open();
        $lines = DB::table('money_lines as l')
            ->leftJoin('placements as p', 'p.line_id', '=', 'l.id')
            ->orderBy('l.id')
            ->get(['l.remittance', 'l.amount', 'p.kind']);
        self::assertSame(
            [['I1', 40_000, null], ['Q3', 10_000, 'not_receivables']],
            $lines->map(static fn (object $of): array => [$of->remittance, $of->amount, $of->kind])->all(),
        );
    }

    public function test_requests_of_runs_and_their_answers_are_carried_over(): void
    {
        $this->take(dirname(__DIR__).'/fixtures/books/6-runs.sqlite.gz');
        $said = ['who' => 'A', 'recorded_at' => '2026-11-01T08:00:00.000000Z'];
        $account = (int) DB::table('accounts')->where('account', '1100')->value('id');
        foreach ([1, 2] as $id) {
            DB::table('run_requests')->insert([
                'id' => $id, 'kind' => 'residues', 'account_id' => $account, 'as_of' => '2026-10-31', 'digest' => "d{$id}", 'lines' => 3,
                'total' => 700, 'why' => 'it is large', ...$said,
            ]);
        }
        DB::table('run_request_answers')->insert(['request_id' => 1, 'answer' => 'sent_back', 'words' => 'no', ...$said]);
        app('migrator')->run([database_path('migrations/2026_11_26_000002_closing_lists.php')]);
        DB::table('approval_requests')->insert([
            'id' => 1, 'kind' => 'irrecoverable', 'payload' => '{}', 'digest' => 'd0', 'title' => 'a debt',
            'total' => 5, 'why' => 'large', ...$said,
        ]);
        DB::table('approval_answers')->insert(['request_id' => 1, 'answer' => 'sent_back', 'words' => 'not yet', ...$said]);
        app(Books::class)->open();
        $subject = "residues {$account} 2026-10-31";
        $requests = app(ApprovalRequests::class);
        self::assertSame('no', $requests->lastAnswerTo(ApprovalKind::Run, $subject)?->words);
        $waiting = $requests->waitingFor(ApprovalKind::Run, $subject);
        self::assertSame('not yet', $requests->lastAnswerTo(ApprovalKind::Irrecoverable, 'request 1')?->words);
        self::assertSame([3, 'd2', 700], [$waiting?->id, $waiting?->digest, $waiting?->total]);
        $this->actingAs($this->person())->get('/')->assertSee('asks for approval to')->assertSee('/residues?as_of=2026-10-31', false);
        self::assertSame([], $this->faults());
    }

    public function test_a_draft_keeps_its_amounts(): void
    {
        $this->take(dirname(__DIR__).'/fixtures/books/3-unapplied.sqlite.gz');
        app(Books::class)->open();
        $draft = app(Drafts::class)->of((int) DB::table('receipt_drafts')->value('line_id'));
        self::assertSame(['1234.50', '2.00'], [$draft?->takes[$this->itemId('I2')]?->decimal(), $draft?->charges?->decimal()]);
        self::assertNull($draft->takes[$this->itemId('I1')]);
    }

    public function test_every_command_brings_them_up_to_date_and_a_page_says_what_to_do(): void
    {
        $this->take(dirname(__DIR__).'/fixtures/books/3-unapplied.sqlite.gz');
        $this->get('/sign-in')->assertStatus(503)->assertSee('of an earlier version');
        self::assertSame(0, Artisan::call('ajuste:aged', ['--json' => true]));
        $this->get('/sign-in')->assertRedirect('/first-start');
        self::assertCount(1, (array) glob("{$this->folder}/books.sqlite.before-*"));
    }

    public function test_books_of_a_later_version_are_left_alone(): void
    {
        DB::table('migrations')->insert(['migration' => '2099_01_01_000000_to_come', 'batch' => 9]);
        $this->refused('later version of Ajuste (2099_01_01_000000_to_come)', fn () => app(Books::class)->open());
        self::assertSame(1, Artisan::call('ajuste:aged'));
        $this->get('/sign-in')->assertStatus(503)->assertSee('later version');
    }

    public function test_where_there_are_none_a_page_says_so(): void
    {
        DB::disconnect();
        unlink("{$this->folder}/books.sqlite");
        $this->get('/sign-in')->assertStatus(503)->assertSee('There are no books at');
    }

    public function test_verify_names_what_is_missing(): void
    {
        DB::statement('DROP TRIGGER vouchers_balance');
        self::assertSame(['The trigger vouchers_balance is missing.'], app(Verification::class)->faults());
    }

    /** @return list<string> without the source files, which are not kept with the books of the test */
    private function faults(): array
    {
        return array_values(
            array_filter(app(Verification::class)->faults(), static fn (string $fault): bool => ! str_contains($fault, 'source file')),
        );
    }

    private function take(string $fixture): void
    {
        DB::disconnect();
        array_map(unlink(...), (array) glob("{$this->folder}/books.sqlite*"));
        file_put_contents("{$this->folder}/books.sqlite", (string) gzdecode((string) file_get_contents($fixture)));
        DB::reconnect();
    }

    /** @return array<string, int> rows by table */
    private function rows(): array
    {
        $rows = [];
        foreach (
            DB::select(
                "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT IN ('migrations', 'changes', "."'customer_changes')",
            ) as $table
        ) {
            $rows[$table->name] = DB::table($table->name)->count();
        }
        ksort($rows);

        return $rows;
    }
}
