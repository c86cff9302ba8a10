<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\Cause;
use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\CombinationSearch;
use Ajuste\Core\Proposal\ProposalPolicy;
use Ajuste\Core\Proposal\Searched;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Settlement\PaymentWay;
use Ajuste\Core\Subledger\Side;
use App\Actions\Import\ImportFiles;
use App\Actions\Import\RefusedRows;
use App\Actions\LockPeriod;
use App\Actions\MatchUnapplied;
use App\Actions\Posting\PreparedPosting;
use App\Actions\Receipts\KeepBatch;
use App\Actions\Receipts\PlaceReceipt;
use App\Actions\ReverseRun;
use App\Actions\Runs\PostRun;
use App\Actions\Runs\RunPlans;
use App\Actions\SettleItems;
use App\Files\SourceFiles;
use App\Models\Run;
use App\Models\User;
use App\Queries\ProofLines;
use App\Queries\Proposals;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Values\MatchRequest;
use App\Values\ReceiptRequest;
use App\Values\TypedReceipt;
use Illuminate\Console\Command;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Database\Events\ConnectionEvent;
use Illuminate\Database\Events\TransactionBeginning;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\File;
use PDO;
use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\Core\Proof\PlantedBooks;

/**
 * Speed and memory as ratios: each job beside the plain SQL that only fetches (or, for the import, only inserts) the same rows, measured in
 * the same run. Every job has a process of its own, so that its peak memory is its own.
 */
final class BenchCommand extends Command
{
    protected $signature =
        'ajuste:bench {--sizes=100000,1000000 : numbers of items} {--only= : one part: books, signed, faults, '.
        'proposals, unapplied, runs, currency, pages, hostile or combinations} {--job= : one job, in this process} {--folder=}';

    protected $description = 'Benchmarks, as ratios to plain SQL on the same rows';

    private const OF_A_RUN = ['plan', 'ratio to fetching', 'planned and posted', 'ratio', 'held for writing', 'peak'];

    /** Seconds for which the job's transactions held the books for writing. */
    private float $held = 0;

    private const JOBS = ['import', 'import-sql', 'proof', 'proof-sql', 'aged', 'aged-sql', 'aged-all-sql'];

    /** What stands beside what: the aged list beside the open items that it is of, and beside all items. */
    private const BESIDE = ['import-sql' => 'import', 'proof-sql' => 'proof', 'aged-sql' => 'aged', 'aged-all-sql' => 'aged'];

    public function handle(): int
    {
        $job = $this->option('job');
        if (is_string($job)) {
            return $this->job($job, (string) $this->option('folder'));
        }
        $only = $this->option('only');
        foreach (
            [
                'books' => $this->books(...),
                'signed' => $this->signed(...),
                'faults' => $this->faults(...),
                'proposals' => $this->proposals(...),
                'unapplied' => $this->unapplied(...),
                'runs' => $this->runs(...),
                'currency' => $this->currency(...),
                'pages' => $this->pages(...),
                'hostile' => $this->hostile(...),
                'combinations' => $this->combinations(...),
            ] as $part => $show
        ) {
            if ($only === null || $only === $part) {
                $show();
            }
        }

        return self::SUCCESS;
    }

    /** Import, proof and aged list beside plain SQL. */
    private function books(): void
    {
        $rows = [];
        foreach (explode(',', (string) $this->option('sizes')) as $size) {
            $folder = sys_get_temp_dir().'/ajuste-bench-'.bin2hex(random_bytes(4));
            try {
                File::ensureDirectoryExists("{$folder}/in");
                BenchFiles::history("{$folder}/in", (int) $size);
                $measured = [];
                foreach (self::JOBS as $name) {
                    $measured[$name] = $this->measure($name, $folder);
                }
                foreach (self::BESIDE as $sql => $name) {
                    [$seconds, $peak, $held] = $measured[$name];
                    [$plain, $plainPeak] = $measured[$sql];
                    $rows[] = [
                        number_format((int) $size),
                        $sql === 'aged-all-sql' ? 'aged, beside all items' : $name,
                        number_format($seconds / max(0.001, $plain), 2),
                        sprintf('%.2f s', $seconds),
                        sprintf('%.2f s', $plain),
                        $held > 0 ? sprintf('%.1f s', $held) : '',
                        sprintf('%d MB', $peak / 1048576),
                        sprintf('%d MB', $plainPeak / 1048576),
                    ];
                }
            } finally {
                File::deleteDirectory($folder);
            }
        }
        $this->table(['items', 'job', 'ratio', 'Ajuste', 'plain SQL', 'held for writing', 'peak', 'peak of SQL'], $rows);
    }

    /** A period of the same size on top of a signed one, with one and with ten years of history before it. */
    private function signed(): void
    {
        $times = $peaks = [];
        foreach ([1, 10] as $years) {
            $folder = sys_get_temp_dir().'/ajuste-bench-'.bin2hex(random_bytes(4));
            try {
                File::ensureDirectoryExists("{$folder}/in");
                BenchFiles::history("{$folder}/in", 60_000 * $years, $years);
                $this->measure('import', $folder);
                $this->measure('lock', $folder);
                $runs = array_map(fn (): array => $this->measure('proof', $folder), range(1, 5));
                [$times[$years], $peaks[$years]] = [min(array_column($runs, 0)), max(array_column($runs, 1))];
            } finally {
                File::deleteDirectory($folder);
            }
        }
        $this->table(
            ['proof on top of a signed period', 'ratio 10 years to 1', '1 year', '10 years', 'peak'],
            [
                [
                    '5,000 items in the period',
                    number_format($times[10] / $times[1], 2),
                    sprintf('%.3f s', $times[1]),
                    sprintf('%.3f s', $times[10]),
                    sprintf('%d MB', $peaks[10] / 1048576),
                ],
            ],
        );
    }

    /** Faults planted in random books, cause by cause: how many were named rightly, and what else was accused. */
    private function faults(): void
    {
        $planted = $named = $accused = array_fill_keys(array_column(Cause::cases(), 'value'), 0);
        for ($seed = 1; $seed <= 200; $seed++) {
            $books = new PlantedBooks($seed);
            $expected = array_count_values($books->expected());
            foreach ($expected as $fault => $times) {
                $planted[explode(' ', (string) $fault)[0]] += $times;
            }
            foreach (array_count_values($books->named()) as $fault => $times) {
                $right = min($times, $expected[$fault] ?? 0);
                $named[explode(' ', (string) $fault)[0]] += $right;
                $accused[explode(' ', (string) $fault)[0]] += $times - $right;
            }
        }
        $this->table(
            ['cause, over 200 seeds', 'planted', 'named rightly', 'wrongly accused'],
            array_map(
                static fn (string $cause): array => [$cause, $planted[$cause], $named[$cause], $accused[$cause]],
                array_keys($planted),
            ),
        );
    }

    /** Proposals for receipts over open items; a tenth of both beside it, since memory must not grow with them. */
    private function proposals(): void
    {
        $rows = [];
        foreach ([10_000, 100_000] as $items) {
            $folder = sys_get_temp_dir().'/ajuste-bench-'.bin2hex(random_bytes(4));
            try {
                File::ensureDirectoryExists("{$folder}/in");
                BenchFiles::open("{$folder}/in", $items);
                $this->measure('import', $folder);
                [$seconds, $peak] = $this->measure('propose', $folder);
                [$plain] = $this->measure('open-sql', $folder);
                $receipts = intdiv($items, 10);
                $rows[] = [
                    number_format($items),
                    number_format($receipts),
                    number_format($receipts / $seconds),
                    number_format($seconds / max(0.001, $plain), 1),
                    sprintf('%d MB', $peak / 1048576),
                ];
            } finally {
                File::deleteDirectory($folder);
            }
        }
        $this->table(['open items', 'receipts', 'proposals a second', 'ratio to fetching the items', 'peak'], $rows);
    }

    /**
     * The unapplied station with a fifth as many unapplied receipts as open items: its first page, all certain matches, and posting them as
     * one run.
     */
    private function unapplied(): void
    {
        $rows = [];
        foreach ([10_000, 100_000] as $items) {
            $folder = sys_get_temp_dir().'/ajuste-bench-'.bin2hex(random_bytes(4));
            try {
                File::ensureDirectoryExists("{$folder}/in");
                BenchFiles::open("{$folder}/in", $items, 8);
                $this->measure('import', $folder);
                [$plain] = $this->measure('open-sql', $folder);
                $times = $peaks = [];
                foreach (['unapplied-page', 'certain', 'unapplied-page', 'run'] as $place => $job) {
                    [$times[$place], $peaks[$place]] = $this->measure($job, $folder);
                }
                $rows[] = [
                    number_format($items),
                    number_format(intdiv($items, 5)),
                    sprintf('%.2f s', $times[2]),
                    number_format($times[2] / $plain, 1),
                    number_format(intdiv($items, 5) / $times[1]),
                    sprintf('%.1f s', $times[3]),
                    sprintf('%d MB', max($peaks) / 1048576),
                ];
            } finally {
                File::deleteDirectory($folder);
            }
        }
        $this->table(
            [
                'open items',
                'unapplied receipts',
                'first page',
                'ratio to fetching the items',
                'proposed a second',
                'posting all certain ones',
                'peak',
            ],
            $rows,
        );
    }

    /** The plan of each closing run, and its posting, beside fetching the open items of both sides. */
    private function runs(): void
    {
        $folder = sys_get_temp_dir().'/ajuste-bench-'.bin2hex(random_bytes(4));
        $rows = [];
        try {
            File::ensureDirectoryExists("{$folder}/in");
            BenchFiles::bothSides("{$folder}/in", 5_000);
            $this->measure('import', $folder);
            [$plain] = $this->measure('both-sql', $folder);
            foreach ([RunKind::Residues, RunKind::Contra] as $kind) {
                [$planned, $planPeak] = $this->measure("plan {$kind->value}", $folder);
                $this->measure("look {$kind->value}", $folder);
                $rows[] = self::runRow($kind, $plain, [$planned, $planPeak], $this->measure("post {$kind->value}", $folder));
            }
            $posted = $this->pagesOfRuns($folder);
            [$seconds, $peak, $held] = $this->measure('back '.RunKind::Contra->value, $folder);
            $rows[] = [
                'taken back as one', '', '', sprintf('%.2f s', $seconds), number_format($seconds / $plain, 1), sprintf('%.2f s', $held),
                sprintf('%d MB', $peak / 1048576),
            ];
            $back = $this->pagesOfRuns($folder);
        } finally {
            File::deleteDirectory($folder);
        }
        $this->table(['40,000 open items, 5,000 pairs', ...self::OF_A_RUN], $rows);
        $this->table(
            ['page after it', 'runs posted', 'ratio', 'contra taken back', 'ratio'],
            array_map(static fn (string $path): array => [
                $path, sprintf('%.2f s', $posted[$path]), number_format($posted[$path] / $plain, 1),
                sprintf('%.2f s', $back[$path]), number_format($back[$path] / $plain, 1),
            ], array_keys($posted)),
        );
    }

    /** @return array<string, float> seconds by page that looks at runs and what they posted */
    private function pagesOfRuns(string $folder): array
    {
        $seconds = [];
        foreach (['/contra', '/proof', '/sign-off', '/journals'] as $path) {
            [$seconds[$path]] = $this->measure("page {$path}", $folder);
        }

        return $seconds;
    }

    /** Files that are made to be hard to read, until the sentence that refuses them, beside reading their bytes. */
    private function hostile(): void
    {
        $folder = sys_get_temp_dir().'/ajuste-bench-'.bin2hex(random_bytes(4));
        $rows = [];
        try {
            File::ensureDirectoryExists("{$folder}/in");
            foreach (BenchFiles::hostile("{$folder}/in") as $what => $file) {
                [$plain] = $this->measure("digest {$file}", $folder);
                [$refused, $peak] = $this->measure("refuse {$file}", $folder);
                $rows[] = [
                    $what,
                    sprintf('%.1f MB', (int) filesize("{$folder}/in/{$file}") / 1048576),
                    sprintf('%.2f s', $refused),
                    number_format($refused / $plain, 1),
                    sprintf('%d MB', $peak / 1048576),
                ];
            }
        } finally {
            File::deleteDirectory($folder);
        }
        $this->table(['refused with a sentence', 'size', 'time', 'ratio to reading its bytes', 'peak'], $rows);
    }

    private function refuse(string $path, string $folder): void
    {
        is_file("{$folder}/books.sqlite") || Artisan::call('ajuste:books');
        $report = app(ImportFiles::class)->rehearse(SourceFiles::at($path, $folder));
        $report->refused !== [] || $this->fail("{$path} was not refused");
    }

    /** Open foreign items at the closing rate, beside fetching them. */
    private function currency(): void
    {
        $folder = sys_get_temp_dir().'/ajuste-bench-'.bin2hex(random_bytes(4));
        try {
            File::ensureDirectoryExists("{$folder}/in");
            BenchFiles::foreign("{$folder}/in", 100_000);
            $this->measure('import', $folder);
            [$plain] = $this->measure('foreign-sql', $folder);
            [$planned, $planPeak] = $this->measure('plan currency', $folder);
            $this->measure('look currency', $folder);
            $posted = $this->measure('post currency', $folder);
        } finally {
            File::deleteDirectory($folder);
        }
        $this->table(
            ['100,000 open foreign items', ...self::OF_A_RUN],
            [self::runRow(RunKind::Currency, $plain, [$planned, $planPeak], $posted)],
        );
    }

    /**
     * @param array{float, int} $planned
     * @param array{float, int, float} $posted
     * @return list<string>
     */
    private static function runRow(RunKind $kind, float $plain, array $planned, array $posted): array
    {
        return [
            $kind->words(),
            sprintf('%.2f s', $planned[0]),
            number_format($planned[0] / $plain, 1),
            sprintf('%.2f s', $posted[0]),
            number_format($posted[0] / $plain, 1),
            sprintf('%.2f s', $posted[2]),
            sprintf('%d MB', max($planned[1], $posted[1]) / 1048576),
        ];
    }

    /** What is posted was looked at in another request, which left its digest. */
    private function closingRun(string $job, string $folder): void
    {
        [$what, $name] = explode(' ', $job);
        $kind = RunKind::from($name);
        $control = app(Settings::class)->controlAccount();
        match ($what) {
            'plan' => app(RunPlans::class)->of($kind, $control, '2026-10-31'),
            'look' => File::put(
                "{$folder}/seen",
                app(PostRun::class)->posting(app(RunPlans::class)->of($kind, $control, '2026-10-31'))->digest(),
            ),
            'post' => app(PreparedPosting::class)->post(
                static fn (): int => app(PostRun::class)->post($job, $kind, $control, '2026-10-31', File::get("{$folder}/seen")),
            ),
            default => app(PreparedPosting::class)->post(
                static fn () => app(ReverseRun::class)->post($job, $kind, (int) Run::query()->max('id'), 'bench'),
            ),
        };
    }

    /** Each main page after a posting, and a rehearsal, in books of 20,000 customers, beside fetching the open items. */
    private function pages(): void
    {
        $folder = sys_get_temp_dir().'/ajuste-bench-'.bin2hex(random_bytes(4));
        try {
            File::ensureDirectoryExists("{$folder}/in");
            BenchFiles::open("{$folder}/in", 100_000, 1, 5);
            $this->measure('import', $folder);
            [$plain] = $this->measure('open-sql', $folder);
            $this->measure('pages', $folder);
            $rows = [];
            /** @var array<string, float> $times */
            $times = json_decode((string) file_get_contents("{$folder}/pages.json"), true, flags: JSON_THROW_ON_ERROR);
            foreach ($times as $page => $seconds) {
                $rows[] = [$page, sprintf('%.0f ms', $seconds * 1000), number_format($seconds / $plain, 2)];
            }
            $this->table(['after a posting, 100,000 open items of 20,000 customers', 'time', 'ratio to fetching the items'], $rows);
        } finally {
            File::deleteDirectory($folder);
        }
    }

    /** A receipt of money that stays unapplied. */
    private function typeAndPlace(int $customerId, string $key): void
    {
        $sum = Money::ofMinor(1_000, app(Settings::class)->base());
        $line = app(KeepBatch::class)->type(
            "{$key} t",
            null,
            new TypedReceipt(PaymentWay::Cash, null, '2026-10-30', $customerId, $sum, $key, ''),
        );
        app(PlaceReceipt::class)->post("{$key} p", new ReceiptRequest($line, $customerId), app(Settings::class)->controlAccount());
    }

    /** Everything is looked at once; then a match and a receipt are posted before each page. */
    private function pagesAfterPostings(): void
    {
        $pages = ['/', '/receipts', '/proof', '/unapplied', '/credit-balances', '/aged'];
        array_map($this->page(...), $pages);
        $times = [];
        $rows = DB::table('items as r')
            ->join('items as i', 'i.customer_id', '=', 'r.customer_id')
            ->where('r.kind', 'receipt')
            ->where('i.kind', 'invoice')
            ->groupBy('r.id')
            ->orderBy('r.id')
            ->limit(count($pages))
            ->get(['r.customer_id', 'r.id', DB::raw('min(i.id) AS invoice')]);
        foreach ($pages as $place => $page) {
            $of = $rows[$place] ?? throw new RuntimeException('There are too few receipts.');
            $this->page($page); // it was open before the posting
            $request = new MatchRequest($of->customer_id, [$of->id => null, $of->invoice => null]);
            $settle = app(SettleItems::class);
            $start = hrtime(true);
            $seen = $settle->rehearse($request, app(Settings::class)->controlAccount())->digest();
            $times['rehearsal of a match'] = (hrtime(true) - $start) / 1e9;
            $settle->post("bench-{$place}", $request, app(Settings::class)->controlAccount(), $seen);
            $this->typeAndPlace($of->customer_id, "bench-{$place}");
            app()->forgetScopedInstances();
            $start = hrtime(true);
            $this->page($page);
            $times["page {$page}"] = (hrtime(true) - $start) / 1e9;
        }
        File::put(dirname(DB::connection()->getDatabaseName()).'/pages.json', (string) json_encode($times));
    }

    /**
     * The search for a sum among open items beside an integer-programming solver on the same cases; among forty, where the solver takes
     * minutes, by itself.
     */
    private function combinations(): void
    {
        $rows = [];
        foreach ([18 => true, 40 => false] as $items => $beside) {
            mt_srand($items);
            $cases = array_map(static fn (): array => self::combinationCase($items), range(1, 60));
            $times = [];
            $limits = 0;
            foreach ($cases as [$candidates, $target]) {
                $start = hrtime(true);
                $limits +=
                    CombinationSearch::find($candidates, $target, (new ProposalPolicy())->work)->searched === Searched::Limit ? 1 : 0;
                $times[] = (hrtime(true) - $start) / 1e9;
            }
            $solver = $beside ? $this->solve($cases) : null;
            $ours = array_sum($times);
            sort($times);
            $rows[] = [
                $items,
                count($cases),
                $solver === null ? '' : sprintf('%.4f', $ours / $solver),
                sprintf('%.2f s', $ours),
                $solver === null ? '' : sprintf('%.2f s', $solver),
                sprintf('%.1f ms', 1000 * $times[30]),
                sprintf('%.1f ms', 1000 * $times[59]),
                $limits,
                sprintf('%d MB', memory_get_peak_usage(true) / 1048576),
            ];
        }
        $this->table(
            ['open items', 'cases', 'ratio to the solver', 'Ajuste', 'solver', 'median', 'longest', 'stopped at the limit', 'peak'],
            $rows,
        );
    }

    /** @return array{list<Candidate>, int} items and an amount that some of them make */
    private static function combinationCase(int $items): array
    {
        $candidates = [];
        for ($n = 0; $n < $items; $n++) {
            $candidates[] = new Candidate(
                $n,
                "D{$n}",
                $n % 9 === 0 ? Side::Credit : Side::Debit,
                '2026-01-01',
                sprintf('2026-10-%02d', mt_rand(1, 28)),
                mt_rand(500, 900_000),
            );
        }

        return [
            $candidates,
            max(
                1,
                array_sum(
                    array_map(static fn (int $place): int => $candidates[$place]->gross(), (array) array_rand($candidates, mt_rand(2, 6))),
                ),
            ),
        ];
    }

    /**
     * @param list<array{list<Candidate>, int}> $cases
     * @return float seconds
     */
    private function solve(array $cases): float
    {
        $input = array_map(
            static fn (array $case): array => [
                'target' => $case[1],
                'items' => array_map(static fn (Candidate $item): array => [$item->gross()], $case[0]),
            ],
            $cases,
        );
        $start = hrtime(true);
        (new Process(
            ['node', base_path('tests/solver.mjs')],
            base_path(),
            null,
            json_encode($input, JSON_THROW_ON_ERROR),
            3600,
        ))->mustRun();

        return (hrtime(true) - $start) / 1e9;
    }

    /** @return array{float, int, float} seconds, peak bytes, and the seconds for which the books were held for writing */
    private function measure(string $job, string $folder): array
    {
        $asServed = preg_match('/^(page|plan|look)/', $job) === 1 ? ['-d', 'zend.enable_gc=0', '-d', 'opcache.enable_cli=1'] : [];
        $asLongWork = preg_match('/^(import$|post|back)/', $job) === 1 ? ':'.base_path('ini/long') : '';
        $process = new Process(
            [
                PHP_BINARY, '-d', 'memory_limit=8G', ...$asServed,
                base_path('artisan'), 'ajuste:bench', "--job={$job}", "--folder={$folder}",
            ],
            null,
            ['AJUSTE_BOOKS' => "{$folder}/books.sqlite", 'PHP_INI_SCAN_DIR' => getenv('PHP_INI_SCAN_DIR').$asLongWork],
            null,
            3600,
        );
        $process->mustRun();
        /** @var array{float, int, float} $result */
        $result = json_decode($process->getOutput(), true, flags: JSON_THROW_ON_ERROR);

        return $result;
    }

    private static function now(): float
    {
        return hrtime(true) / 1e9;
    }

    private function timeHeld(): void
    {
        // A copy of the books holds nobody up.
        $at = static fn (ConnectionEvent $of, int $level): float => $of->connectionName === 'books'
            && $of->connection->transactionLevel() === $level ? self::now() : 0.0;
        Event::listen(TransactionBeginning::class, fn (TransactionBeginning $of) => $this->held -= $at($of, 1));
        Event::listen(TransactionCommitted::class, fn (TransactionCommitted $of) => $this->held += $at($of, 0));
    }

    private function job(string $job, string $folder): int
    {
        if ($job === 'import') {
            Artisan::call('ajuste:books');
        }
        $this->timeHeld();
        $start = hrtime(true);
        match ($job) {
            'import' => $this->import($folder),
            'import-sql' => $this->plainInsert($folder),
            'lock' => app(LockPeriod::class)->post(Period::of('2026-09')),
            'proof' => app(Reports::class)->proofOf(
                ProofLines::since(app(Settings::class)->controlAccount()->id, '2026-10-31'),
                '2026-10-31',
            ),
            'proof-sql' => $this->fetch(
                'SELECT id, date, base, document, customer, entry, batch, source, description FROM postings WHERE account_id = 1 UNION '.
                    'ALL SELECT root_id, date, base, document, customer_id, entry, batch, kind, side FROM items WHERE '.
                    'control_account_id = 1 ORDER BY 4',
            ),
            'propose' => $this->propose(),
            'unapplied-page' => $this->page('/unapplied'),
            'pages' => $this->pagesAfterPostings(),
            'certain' => app(MatchUnapplied::class)->proposed(app(Settings::class)->controlAccount(), '2026-10-31'),
            'run' => $this->postRun(),
            'open-sql' => $this->fetch(
                'SELECT i.*, p.matched, p.moved FROM item_positions p JOIN items i ON i.id = p.row_id WHERE p.control_account_id = 1 AND '.
                    'p.settled_on IS NULL ORDER BY i.customer_id, i.due_date',
            ),
            'foreign-sql' => $this->fetch(
                'SELECT i.*, p.matched, p.moved FROM item_positions p JOIN items i ON i.id = p.row_id WHERE p.settled_on IS NULL',
            ),
            'both-sql' => $this->fetch(
                'SELECT i.*, p.matched, p.moved FROM item_positions p JOIN items i ON i.id = p.row_id WHERE p.settled_on IS NULL',
                'SELECT * FROM supplier_items ORDER BY supplier_id',
            ),
            'aged' => app(Reports::class)->aged(app(Settings::class)->controlAccount(), '2026-10-31'),
            default => match (1) {
                preg_match('/^(plan|look|post|back) /', $job) => $this->closingRun($job, $folder),
                preg_match('/^page (.+)/', $job, $path) => $this->page($path[1]),
                preg_match('/^digest (.+)/', $job, $file) => hash_file('sha256', "{$folder}/in/{$file[1]}"),
                preg_match('/^refuse (.+)/', $job, $file) => $this->refuse("{$folder}/in/{$file[1]}", $folder),
                default => $this->fetch(
                    'SELECT i.customer_id, i.currency, i.due_date, i.side, i.base - p.moved FROM item_positions p JOIN items i ON i.id = '.
                        'p.row_id WHERE p.control_account_id = 1'.($job === 'aged-all-sql' ? '' : ' AND p.settled_on IS NULL'),
                ),
            },
        };
        $this->line((string) json_encode([(hrtime(true) - $start) / 1e9, memory_get_peak_usage(true), $this->held]));

        return self::SUCCESS;
    }

    /** As a signed-in person gets it. */
    private function page(string $path): void
    {
        Auth::login(
            User::query()->firstOrCreate(
                ['email' => 'bench@example.invalid'],
                ['name' => 'Bench', 'role' => 'preparer'],
            ),
        );
        $status = app(Kernel::class)->handle(Request::create($path))->getStatusCode();
        if ($status !== 200) {
            $this->fail("{$path} answers {$status}");
        }
    }

    private function postRun(): void
    {
        $account = app(Settings::class)->controlAccount();
        app(MatchUnapplied::class)->post(
            'bench',
            $account,
            '2026-10-31',
            MatchUnapplied::digest(app(MatchUnapplied::class)->proposed($account, '2026-10-31')),
        );
    }

    private function propose(): int
    {
        $settled = 0;
        foreach (app(Proposals::class)->forReceipts(app(Settings::class)->controlAccount(), '2026-10-31') as $proposal) {
            $settled += count($proposal->proposal->settles);
        }

        return $settled;
    }

    private function import(string $folder): void
    {
        $report = app(ImportFiles::class)->post(SourceFiles::at("{$folder}/in", $folder), RefusedRows::RefuseAll, 'bench');
        if ($report->importId === null) {
            $this->fail('The benchmark files were refused: '.json_encode(array_slice($report->refused, 0, 3)));
        }
    }

    /** The same rows into tables with the same keys and indexes, without a look at what they say. */
    private function plainInsert(string $folder): void
    {
        $pdo = new PDO("sqlite:{$folder}/plain.sqlite");
        $pdo->exec((string) file_get_contents(database_path('books.sql')));
        $pdo->exec('PRAGMA journal_mode = WAL; PRAGMA foreign_keys = OFF; BEGIN IMMEDIATE');
        foreach (
            [
                'items' => 'INSERT INTO items (root_id, document, kind, customer_id, occurrence, side, date, due_date, currency, amount, '.
                    'base, control_account_id, entry, import_file_id, recorded_at) VALUES (1, ?, ?, 1, ?, ?, ?, ?, ?, ?, ?, 1, ?, 1, 1)',
                'ledger' => 'INSERT INTO postings (entry, date, account_id, base, document, occurrence, import_file_id, recorded_at) '.
                    'VALUES (?, ?, 1, ?, ?, ?, 1, 1)',
                'matches' => 'INSERT INTO matches (date, debit_item_id, credit_item_id, amount, debit_base, credit_base, recorded_at) '.
                    'VALUES (?, ?, ?, ?, 1, 1, 1)',
            ] as $file => $sql
        ) {
            $insert = $pdo->prepare($sql);
            $stream = fopen("{$folder}/in/{$file}.csv", 'rb');
            for ($place = 0; $stream !== false && ($row = fgetcsv($stream, escape: '')) !== false; $place++) {
                $insert->execute(
                    match ($file) {
                        'items' => [
                            $row[0],
                            $row[1],
                            $place,
                            $row[1] === 'invoice' ? 'debit' : 'credit',
                            $row[3],
                            $row[4],
                            $row[5],
                            1,
                            1,
                            $row[8],
                        ],
                        'ledger' => [$row[0], $row[1], 1, $row[6], $place],
                        default => [$row[0], $place, $place, 1],
                    },
                );
            }
        }
        $pdo->exec('COMMIT');
    }

    private function fetch(string ...$queries): void
    {
        foreach ($queries as $sql) {
            $statement = DB::connection()->getPdo()->query($sql);
            while ($statement !== false && $statement->fetch(PDO::FETCH_NUM) !== false);
        }
    }
}
