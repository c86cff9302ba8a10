<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\CarryOut;
use App\Actions\Import\ImportFiles;
use App\Actions\Import\ImportReport;
use App\Actions\Import\RefusedRows;
use App\Actions\Posting\PreparedPosting;
use App\Files\SourceFiles;
use App\Support\Actor;
use App\Support\Cancelled;
use App\Support\LongWork;
use App\Support\Progress;
use App\Support\Unwatched;
use App\Values\WorkKind;
use App\Values\WorkState;
use Closure;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Testing\TestResponse;
use PDO;
use Symfony\Component\Process\Process;

/** Long work is prepared beside the books: others write meanwhile, it can be left and cancelled, and a kill leaves nothing half done. */
final class LongWorkTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        config(['ajuste.long_files' => 1000, 'queue.default' => 'sync']);
        $this->importBasics(['items.csv' => self::items(['OLD,invoice,C1,2026-10-01,2026-10-31,EUR,5.00,5.00,,,,'])]);
    }

    /** @return array<string, string> */
    private static function many(int $count = 300): array
    {
        $items = $ledger = [];
        for ($n = 1; $n <= $count; $n++) {
            $items[] = "I{$n},invoice,C1,2026-10-02,2026-11-01,EUR,10.00,10.00,,,E{$n},";
            $ledger[] = "E{$n},2026-10-02,1100,sale,10.00,,I{$n},";
        }

        return ['customers.csv' => "customer,name,currency\nC1,Uno the Elder,EUR\nC9,Nueve,EUR\n", 'items.csv' => self::items($items),
            'ledger.csv' => self::ledger($ledger),
            'matches.csv' => "date,debit_document,credit_document,amount\n"];
    }

    /** @param  array<string, string>  $files */
    private function take(array $files, bool $post, Progress $progress = new Unwatched()): ImportReport
    {
        $folder = "{$this->folder}/long-".bin2hex(random_bytes(3));
        mkdir($folder);
        foreach ($files as $name => $content) {
            file_put_contents("{$folder}/{$name}", $content);
        }
        $sources = SourceFiles::at($folder, $folder);

        return $post
            ? app(ImportFiles::class)->post($sources, RefusedRows::RefuseAll, 'long', 'long-1', $progress)
            : app(ImportFiles::class)->rehearse($sources, $progress);
    }

    /** What another person does while the work is under way, once. */
    private static function meanwhile(Closure $does): Progress
    {
        return new class($does) implements Progress
        {
            public int $asked = 0;

            public function __construct(private readonly Closure $does) {}

            public function at(int $done, int $total): void
            {
                if ($this->asked++ === 0) {
                    ($this->does)();
                }
            }
        };
    }

    /** Another connection that does not wait for anybody. */
    private function other(string $sql): void
    {
        $other = new PDO("sqlite:{$this->folder}/books.sqlite", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $other->exec('PRAGMA busy_timeout = 0');
        $other->sqliteCreateFunction('plain_text', static fn (?string $text): string => (string) $text);
        $other->exec($sql);
    }

    private function note(string $words): string
    {
        return 'INSERT INTO notes (subject, text, link, file_name, file_sha256, file_bytes, who, recorded_at) '.
            "VALUES ('customer 1', '{$words}', '', '', '', 0, 'Another', '2026-11-01T10:00:00.000000Z')";
    }

    public function test_a_preview_and_a_long_import_hold_nobody_up(): void
    {
        $this->take(self::many(), false, self::meanwhile(fn () => $this->other($this->note('while previewed'))));
        $this->take(self::many(), true, self::meanwhile(fn () => $this->other($this->note('while imported'))));
        self::assertSame(['while previewed', 'while imported'], DB::table('notes')->orderBy('id')->pluck('text')->all());
        self::assertSame(301, DB::table('items')->count());
        self::assertSame([], glob("{$this->folder}/books.sqlite.copy-*"));
    }

    public function test_what_is_carried_over_is_what_would_have_been_posted(): void
    {
        $files = self::many();
        $changed = ['items.csv' => self::items(['I1,invoice,C1,2026-10-02,2026-11-01,EUR,12.00,12.00,,,E1,'])] + $files;
        $this->take($files, true);
        $this->import($changed);
        $prepared = $this->everything();
        $this->assertBooksHold();
        $this->begin();
        config(['ajuste.long_files' => PHP_INT_MAX]);
        $this->take($files, true);
        $this->import($changed);
        self::assertSame($this->everything(), $prepared);
    }

    /** New books in the place of those. */
    private function begin(): void
    {
        DB::disconnect();
        array_map(unlink(...), glob("{$this->folder}/books.sqlite*") ?: []);
        Auth::forgetGuards();
        app()->forgetScopedInstances();
        app()->forgetInstance(Actor::class);
        Artisan::call('ajuste:books');
        $this->importBasics(['items.csv' => self::items(['OLD,invoice,C1,2026-10-01,2026-10-31,EUR,5.00,5.00,,,,'])]);
    }

    /** @return array<string, list<string>> rows by table, but for the moments, and what hangs on them */
    private function everything(): array
    {
        $all = [];
        $tables = DB::table('sqlite_master')->where('type', 'table')->where('name', 'not like', 'sqlite_%')->pluck('name');
        $own = ['audit_records', 'changes', 'customer_changes', 'seals', 'sealed_keys', 'migrations', 'posting_keys'];
        foreach ($tables->diff($own) as $name) {
            $all[$name] = DB::table($name)->get()->map(static function (object $row): string {
                $cells = (array) $row;
                $moments = ['recorded_at', 'superseded_at'];

                return (string) json_encode(array_diff_key($cells, array_flip($moments)));
            })->sort()->values()->all();
        }

        return $all;
    }

    public function test_what_changed_meanwhile_is_taken_into_account(): void
    {
        $late = self::items(['MEANWHILE,invoice,C1,2026-10-03,2026-11-01,EUR,7.00,7.00,,,,']);
        $import = function () use ($late): void {
            // Another person's process: the copy is the books at hand of this one.
            $folder = "{$this->folder}/other";
            mkdir($folder);
            file_put_contents("{$folder}/items.csv", $late);
            $books = ['AJUSTE_BOOKS' => "{$this->folder}/books.sqlite"];
            (new Process(['./ajuste', 'import', $folder], base_path(), $books, null, 60))->mustRun();
        };
        $report = $this->take(self::many(), true, self::meanwhile($import));
        self::assertNotNull($report->importId);
        self::assertSame(302, DB::table('items')->count());
        self::assertSame(1, DB::table('items')->where('document', 'MEANWHILE')->count());
        $this->assertBooksHold();
    }

    public function test_rows_are_recorded_when_they_come_into_the_books(): void
    {
        $between = '';
        $this->take(self::many(), true, self::meanwhile(static function () use (&$between): void {
            $between = now('UTC')->format('Y-m-d\TH:i:s.u\Z');
        }));
        self::assertSame(0, DB::table('items')->where('document', 'I1')->where('recorded_at', '<=', $between)->count());
    }

    public function test_copies_that_killed_processes_left_go_with_the_next_one(): void
    {
        $left = "{$this->folder}/books.sqlite.copy-aaaaaaaaaaaa";
        $held = "{$this->folder}/books.sqlite.copy-bbbbbbbbbbbb";
        foreach ([$left, "{$left}-wal", "{$left}.owner", $held, "{$held}.owner"] as $file) {
            touch($file);
        }
        $owner = fopen("{$held}.owner", 'c');
        self::assertTrue($owner !== false && flock($owner, LOCK_EX));
        $this->take(self::many(), false);
        self::assertSame([$held, "{$held}.owner"], glob("{$this->folder}/books.sqlite.copy-*"));
    }

    public function test_cancelled_nothing_is_in_the_books(): void
    {
        $work = LongWork::begin(WorkKind::Import, 'k1', [], new Actor('Anyone', 'test'));
        $work->start();
        $again = LongWork::begin(WorkKind::Import, 'k1', [], new Actor('Anyone', 'test'));
        self::assertFalse($again->isNew);
        self::assertTrue($work->cancel());
        try {
            $this->take(self::many(), true, $work);
            self::fail('It goes on.');
        } catch (Cancelled) {
            self::assertSame(1, DB::table('items')->count());
            self::assertSame([], glob("{$this->folder}/books.sqlite.copy-*"));
        }
        self::assertTrue(LongWork::begin(WorkKind::Import, 'k1', [], new Actor('Anyone', 'test'))->isNew);
        $this->assertBooksHold();
    }

    public function test_a_person_hands_in_leaves_and_comes_back(): void
    {
        $this->actingAs($this->person());
        $page = $this->followingRedirects()->post('/intake', ['files' => $this->uploads(self::many())])->assertOk();
        $page->assertSee('What would happen')->assertSee('The files are read.')->assertSee('Take in 3 files');
        self::assertSame(1, DB::table('items')->count());
        $token = basename(glob("{$this->folder}/files/waiting/*")[0] ?? '');
        $this->followingRedirects()->post("/intake/hand-in/{$token}/commit")->assertOk()->assertSee('Taken in as import 2.');
        $this->followingRedirects()->post("/intake/hand-in/{$token}/commit")->assertOk()->assertSee('Import 2');
        self::assertSame(301, DB::table('items')->count());
        self::assertSame('A preparer', DB::table('imports')->where('id', 2)->value('who'));
        self::assertSame([], LongWork::underWay());
    }

    public function test_refused_rows_say_so_and_the_files_are_still_there(): void
    {
        $this->actingAs($this->person());
        $files = self::many();
        $files['items.csv'] .= "BAD,invoice,C7,2026-10-02,2026-11-01,EUR,1.00,1.00,,,,,\n";
        $this->followingRedirects()->post('/intake', ['files' => $this->uploads($files)])->assertSee('C7');
        $token = basename(glob("{$this->folder}/files/waiting/*")[0] ?? '');
        $commit = "/intake/hand-in/{$token}/commit";
        $this->followingRedirects()->post($commit)->assertSee('1 rows are refused')->assertSee('Back to the files');
        $this->followingRedirects()->post($commit, ['set_aside' => '1'])->assertSee('Taken in as import 2.');
    }

    public function test_a_killed_worker_s_work_is_carried_out_once(): void
    {
        config(['queue.default' => 'database']);
        $this->actingAs($this->person());
        $at = $this->post('/intake', ['files' => $this->uploads(self::many())])->assertRedirect()->headers->get('location');
        $work = $this->get((string) $at)->assertRedirect()->headers->get('location');
        $this->get((string) $work)->assertOk()->assertSee('It waits for its turn.');
        $this->get('/')->assertSee('Reading the files')->assertSee('waits for its turn');
        LongWork::file()->table('jobs')->update(['reserved_at' => time(), 'attempts' => 1]);
        LongWork::file()->table('work')->update(['state' => 'running', 'done' => 150, 'total' => 600]);
        $this->get("{$work}?part=1")->assertOk()->assertSee('150 of 600 rows');
        $books = ['AJUSTE_BOOKS' => "{$this->folder}/books.sqlite"];
        (new Process([PHP_BINARY, 'artisan', 'ajuste:work', '--once'], base_path(), $books, null, 60))->mustRun();
        self::assertSame(WorkState::Done, LongWork::find(1)->state());
        $this->get("{$work}?part=1")->assertNoContent()->assertHeader('HX-Location');
        $this->followingRedirects()->get((string) $work)->assertSee('What would happen');
    }

    public function test_a_reader_cancels_nothing(): void
    {
        $id = CarryOut::begin(WorkKind::Preview, 'k', ['hand_in' => 'x'], new Actor('Anyone', 'test'));
        $this->actingAs($this->person('reader'));
        $this->post("/work/{$id}/cancel")->assertForbidden();
        $this->get('/work/99')->assertStatus(422)->assertSee('There is no such work any more');
    }

    /**
     * @param array<string, string> $files
     * @return list<UploadedFile>
     */
    private function uploads(array $files): array
    {
        return array_map(
            static fn (string $name): UploadedFile => UploadedFile::fake()->createWithContent($name, $files[$name]),
            array_values(array_diff(array_keys($files), ['matches.csv'])),
        );
    }

    private function twoResidues(): void
    {
        $rows = $matches = [];
        foreach ([1, 2] as $n) {
            $rows[] = "I{$n},invoice,C1,2026-08-01,2026-08-31,EUR,500.00,500.00,,,,";
            $rows[] = "R{$n},receipt,C1,2026-09-01,,EUR,498.00,498.00,,,,";
            $matches[] = "2026-09-01,I{$n},R{$n},498.00";
        }
        $this->import([
            'items.csv' => self::items($rows), 'matches.csv' => "date,debit_document,credit_document,amount\n".implode("\n", $matches)."\n",
            'accounts.csv' => self::ACCOUNTS."6300,Residues,expense,residues_written_off\n",
        ]);
    }

    /** What is hidden in the form of the page. */
    private function hidden(string $page, string $name): string
    {
        preg_match("/name=\"{$name}\" value=\"(\w+)\"/", (string) $this->get($page)->assertOk()->getContent(), $found);

        return $found[1] ?? '';
    }

    public function test_a_long_run_is_posted_beside_the_pages_once(): void
    {
        config(['ajuste.long_runs' => 1]);
        $this->twoResidues();
        $this->actingAs($this->person());
        self::assertSame('2', $this->hidden('/residues', 'lines'));
        $seen = $this->hidden('/residues', 'seen');
        foreach ([1, 2] as $click) {
            $at = $this->post('/runs/residues', ['key' => 'k', 'seen' => $seen, 'lines' => '2'])->headers->get('location');
            $this->followingRedirects()->get((string) $at)->assertOk()->assertSee('Posted run 1')->assertSee('2 lines taken');
        }
        self::assertSame([1, 'A preparer'], [DB::table('runs')->count(), DB::table('runs')->value('who')]);
        $stale = $this->post('/runs/residues', ['key' => 'l', 'seen' => 'x', 'lines' => '2'])->headers->get('location');
        $this->get((string) $stale)->assertOk()->assertSee('There is nothing to post');
    }

    /** @param  array<string, mixed>  $form */
    private function send(string $to, array $form): TestResponse
    {
        return $this->followingRedirects()->post($to, $form)->assertOk();
    }

    /** Posts, takes back and runs again, asks, and approves what was asked for. */
    private function wholeLifeOfARun(): void
    {
        $this->twoResidues();
        $this->actingAs($this->person());
        $form = ['seen' => $this->hidden('/residues', 'seen'), 'lines' => '2'];
        $this->send('/runs/residues', ['key' => 'post'] + $form)->assertSee('Posted run 1');
        $this->send('/runs/residues/1/again', ['key' => 'again'])->assertSee('Run 1 is taken back, and run 2 takes its place.');
        $this->send('/runs/residues/2/reverse', ['key' => 'back', 'reason' => 'late news'])->assertSee('Run 2 is taken back as one.');
        $this->import(['settings.csv' => "name,value\napproval_limit,1.00\n"]);
        $this->send('/runs/residues/ask', ['key' => 'ask', 'seen' => $this->hidden('/residues', 'seen')])->assertSee('Asked.');
        $this->actingAs($this->person('reviewer'));
        foreach ([1, 2] as $click) {
            $this->send('/approvals/1/approve', ['key' => 'yes', 'lines' => '2'])->assertSee('Approved and posted.');
        }
    }

    public function test_a_long_run_holds_nobody_up_whatever_is_done_with_it(): void
    {
        config(['ajuste.long_runs' => 1]);
        $written = [];
        Event::listen(QueryExecuted::class, function (QueryExecuted $query) use (&$written): void {
            if (preg_match('/^insert into "(runs|run_reversals|approval_answers)"/', $query->sql, $of) === 1) {
                $this->other($this->note("while {$of[1]} are written"));
                $written[] = $of[1];
            }
        });
        $this->wholeLifeOfARun();
        self::assertSame(['runs', 'run_reversals', 'runs', 'run_reversals', 'runs', 'approval_answers'], $written);
        self::assertCount(6, DB::table('notes')->pluck('text'));
        self::assertSame([], glob("{$this->folder}/books.sqlite.copy-*"));
        $this->assertBooksHold();
    }

    public function test_a_run_that_was_prepared_is_the_run_that_would_have_been_posted(): void
    {
        config(['ajuste.long_runs' => 1]);
        $this->wholeLifeOfARun();
        [$prepared, $trail] = [$this->everything(), $this->trail()];
        $this->assertBooksHold();
        $this->begin();
        config(['ajuste.long_runs' => PHP_INT_MAX]);
        $this->wholeLifeOfARun();
        self::assertSame($this->everything(), $prepared);
        self::assertSame($this->trail(), $trail);
    }

    public function test_many_matches_are_posted_and_taken_back_beside_the_pages_too(): void
    {
        config(['ajuste.long_runs' => 1]);
        $this->import(['items.csv' => self::items([
            'I1,invoice,C1,2026-08-01,2026-08-31,EUR,500.00,500.00,,,,', 'R1,receipt,C1,2026-09-01,,EUR,500.00,500.00,,I1,,',
            'I2,invoice,C1,2026-08-01,2026-08-31,EUR,400.00,400.00,,,,', 'R2,receipt,C1,2026-09-01,,EUR,400.00,400.00,,I2,,',
            'I3,invoice,C1,2026-08-01,2026-08-31,EUR,300.00,300.00,,,,', 'R3,receipt,C1,2026-09-01,,EUR,300.00,300.00,,I3,,',
        ])]);
        $this->actingAs($this->person());
        $left = (string) DB::table('items')->where('document', 'R3')->value('id');
        $form = ['key' => 'k', 'seen' => $this->hidden('/unapplied/run', 'seen'), 'lines' => '2', 'leave' => [$left => '1']];
        foreach ([1, 2] as $click) {
            $this->send('/unapplied/run', $form)->assertSee('Posted run 1.')->assertSee('Run 1, 2 matches');
        }
        $back = ['key' => 'b', 'reason' => 'too early', 'date' => '2026-10-31'];
        $this->send('/unapplied/runs/1/reverse', $back)->assertSee('Run 1 is taken back as one.')->assertSee('reversed: too early');
        self::assertSame(['2026-10-31'], DB::table('match_reversals')->distinct()->pluck('date')->all());
        self::assertSame([1, 2, 2], [LongWork::file()->table('work')->where('kind', 'match_unapplied')->count(),
            LongWork::file()->table('work')->count(), DB::table('match_reversals')->count()]);
        $this->assertBooksHold();
    }

    public function test_what_cannot_be_carried_over_is_prepared_once_and_posted_directly(): void
    {
        $times = 0;
        app(PreparedPosting::class)->post(function () use (&$times): void {
            $times++;
            DB::transaction(fn () => DB::connection()->getPdo()->exec($this->note('of others')));
        });
        self::assertSame([2, 1], [$times, DB::table('notes')->count()]);
        $this->assertBooksHold();
    }

    /** @return list<string> */
    private function trail(): array
    {
        return array_values(DB::table('audit_records')->whereNotIn('what', ['sign in'])->orderBy('id')
            ->get()->map(static fn (object $of): string => "{$of->who} {$of->what} {$of->subject} {$of->why}")->all());
    }

    public function test_what_others_post_meanwhile_is_seen_by_a_long_run(): void
    {
        config(['ajuste.long_runs' => 1]);
        $this->twoResidues();
        $this->actingAs($this->person());
        $form = ['seen' => $this->hidden('/residues', 'seen'), 'lines' => '2'];
        $done = false;
        Event::listen(QueryExecuted::class, function (QueryExecuted $query) use (&$done): void {
            if (! $done && str_starts_with($query->sql, 'insert into "runs"')) {
                $done = true;
                $this->other("INSERT INTO customer_blocks (kind, customer_id, reason, who, recorded_at)
                    VALUES ('residues', 1, 'meanwhile', 'Another', '2026-11-01T10:00:00.000000Z')");
            }
        });
        $this->send('/runs/residues', ['key' => 'k'] + $form)->assertSee('Nothing is left for this run');
        self::assertSame([true, 0], [$done, DB::table('runs')->count()]);
        $this->assertBooksHold();
    }
}
