<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\CreditedLine;
use App\Actions\Import\ImportFiles;
use App\Actions\Import\ImportReport;
use App\Actions\Import\RefusedRows;
use App\Actions\LockPeriod;
use App\Actions\SettleItems;
use App\Files\SourceFiles;
use App\Models\User;
use App\Queries\InvoiceLines;
use App\Queries\Positions;
use App\Queries\Settings;
use App\Queries\Verification;
use App\Support\DemoBooks;
use App\Values\MatchRequest;
use Closure;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\File;
use Symfony\Component\Process\Process;

/** Each test has books of its own in a folder of its own, on disk like real ones. */
abstract class BooksTestCase extends TestCase
{
    protected string $folder;

    /** @var array<string, true> queries that were looked at, without their values */
    private static array $explained = [];

    /** @var list<string> what a query of this test reads for each row of another table */
    private array $scans = [];

    public function createApplication(): Application
    {
        $this->folder = sys_get_temp_dir().'/ajuste-test-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        /** @var Application $app */
        $app = require dirname(__DIR__, 2).'/bootstrap/app.php';
        $app->make(Kernel::class)->bootstrap();
        $app['config']->set('database.connections.books.database', "{$this->folder}/books.sqlite");
        $app['config']->set('ajuste.files', "{$this->folder}/files");

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        self::copyEmptyBooks("{$this->folder}/books.sqlite");
        $this->withoutVite();
        Event::listen(QueryExecuted::class, $this->explain(...));
    }

    /** A request starts fresh, as it does behind a web server; runs of blanks in a page count as one, as they do in a browser. */
    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null)
    {
        $this->app->forgetScopedInstances();
        $response = parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        if (str_starts_with((string) $response->headers->get('content-type'), 'text/html') && is_string($response->getContent())) {
            $response->setContent((string) preg_replace('/\s+/', ' ', $response->getContent()));
        }

        return $response;
    }

    protected function tearDown(): void
    {
        DB::disconnect();
        File::deleteDirectory($this->folder);
        parent::tearDown();
        self::assertSame([], $this->scans, 'A large table is read from end to end for each row of another: it needs an index.');
    }

    /** Each query of all tests is looked at once: in books of many years none may read a large table for each row of another. */
    private function explain(QueryExecuted $query): void
    {
        $shape = (string) preg_replace(['/\?(, \?)+/', "/'[^']*'/", '/\d+/'], ['?', "''", '0'], $query->sql);
        if (isset(self::$explained[$shape]) || preg_match('/^\s*(select|with|update)\b/i', $query->sql) !== 1) {
            return;
        }
        self::$explained[$shape] = true;
        foreach (ScansPerRow::of($query->connection->getPdo(), $query->sql) as $scan) {
            $this->scans[] = "{$scan} in {$query->sql}";
        }
    }

    private static function copyEmptyBooks(string $to): void
    {
        static $empty = null;
        if ($empty === null) {
            Artisan::call('ajuste:books');
            DB::statement('PRAGMA wal_checkpoint(TRUNCATE)');
            $empty = (string) file_get_contents($to);

            return;
        }
        file_put_contents($to, $empty);
    }

    protected const ACCOUNTS =
        "account,name,type,role\n1100,Receivables,asset,receivables_control\n1120,Export ".
        "receivables,asset,receivables_control\n1150,Presentation,asset,presentation\n1190,Other ".
        "receivables,asset,\n1500,Bank,asset,bank\n2150,Customers in ".
        "credit,liability,customers_in_credit\n2170,Deposits,liability,customer_deposits\n4000,Sales,income,revenue\n4800,".
        "Exchange gains,income,exchange_realised_gain\n6800,Exchange losses,expense,exchange_realised_loss\n";

    protected const CUSTOMERS = "customer,name,currency\nC1,Uno,EUR\nC2,Dos,EUR\nC3,Tres,GBP\n";

    /** @param  array<string, string>  $files content by name */
    protected function import(array $files, bool $setAside = false, bool $rehearse = false): ImportReport
    {
        $folder = "{$this->folder}/in-".bin2hex(random_bytes(4));
        mkdir($folder);
        foreach ($files as $name => $content) {
            file_put_contents("{$folder}/{$name}", $content);
        }
        $import = app(ImportFiles::class);
        $scratch = "{$folder}/scratch";
        mkdir($scratch);
        $sources = SourceFiles::at($folder, $scratch);

        return $rehearse
            ? $import->rehearse($sources)
            : $import->post($sources, $setAside ? RefusedRows::SetAside : RefusedRows::RefuseAll, 'test');
    }

    /** @param  array<string, string>  $more */
    protected function importBasics(array $more = []): ImportReport
    {
        $report = $this->import([
            'accounts.csv' => self::ACCOUNTS,
            'customers.csv' => self::CUSTOMERS,
            'settings.csv' => "name,value\nperiod,2026-10\napproval_limit,1000000.00\n",
            ...$more,
        ]);
        self::assertSame([], $report->refused);
        self::assertNotNull($report->importId);

        return $report;
    }

    /** The bank account gets the number that the statements of these tests bear. */
    protected function ownBank(): void
    {
        $this->import(['accounts.csv' => "account,name,type,role,currency,iban\n1500,Bank,asset,bank,,MILL-1\n"]);
    }

    /** @param  list<string>  $rows without the headings */
    protected static function items(array $rows): string
    {
        return "document,kind,customer,date,due_date,currency,amount,base_amount,side,reference,entry,control_account\n".
            implode("\n", $rows).
            "\n";
    }

    /** @param  list<string>  $rows without the headings */
    protected static function ledger(array $rows): string
    {
        return "entry,date,account,description,debit,credit,document,source\n".implode("\n", $rows)."\n";
    }

    protected function itemId(string $document, ?string $kind = null): int
    {
        return (int) DB::table('items')
            ->where('document', $document)
            ->when($kind !== null, static fn ($query) => $query->where('kind', $kind))
            ->orderBy('id')
            ->value('root_id');
    }

    /** What is open of a document when all of its matches have taken effect, minor units. */
    protected function openOf(string $document, ?string $kind = null): int
    {
        return (int) DB::table('item_positions')
            ->where('item_id', $this->itemId($document, $kind))
            ->selectRaw('amount - matched AS open')
            ->value('open');
    }

    protected function customerId(string $customer): int
    {
        return (int) DB::table('customers')->where('customer', $customer)->value('id');
    }

    /** @param  array<string, string>  $typed amount as typed, by document */
    protected function match(string $customer, array $typed, ?string $date = null, ?string $key = null): int
    {
        $byId = [];
        foreach ($typed as $document => $amount) {
            $byId[$this->itemId((string) $document)] = $amount;
        }

        $request = new MatchRequest($this->customerId($customer), $this->takes($byId), $date);

        return app(SettleItems::class)->post($key ?? bin2hex(random_bytes(8)), $request, $this->control());
    }

    protected function control(): Account
    {
        return app(Settings::class)->controlAccount();
    }

    protected static function money(string $typed, string $currency = 'EUR'): Money
    {
        return TypedAmount::read($typed, Currency::of($currency));
    }

    /**
     * What is taken of items, as a form reads it: in the currency of its debits, or of the first one.
     *
     * @param array<int, string> $typed amount by item id; blank: all of it
     * @return array<int, ?Money>
     */
    protected function takes(array $typed): array
    {
        $currency = (string) DB::table('items')->whereIn('root_id', array_keys($typed))->orderByDesc('side')->value('currency');

        return array_map(static fn (string $of): ?Money => $of === '' ? null : self::money($of, $currency), $typed);
    }

    protected function lock(string $period): void
    {
        app(LockPeriod::class)->post(app(Settings::class)->calendar()->named($period));
        app(Settings::class)->forget();
    }

    /** A second person looked at all transfers that wait (R13). */
    protected function approveTransfers(): void
    {
        foreach (DB::table('refunds')->where('way', 'transfer')->pluck('id') as $refund) {
            DB::table('refunds_approved')->insertOrIgnore(['refund_id' => $refund, 'who' => 'Second', 'recorded_at' => 'now']);
        }
    }

    protected function person(string $role = 'preparer'): User
    {
        return User::query()->create(['name' => "A {$role}", 'email' => "{$role}@example.invalid", 'role' => $role]);
    }

    /** One who can sign in. */
    protected function personWithPassword(string $password = DemoBooks::PASSWORD): User
    {
        $user = $this->person();
        $user->person()->update(['password' => $password]);

        return $user;
    }

    /**
     * @param array<string, string|bool> $options
     * @return array<mixed>
     */
    protected function report(string $command, array $options = []): array
    {
        $exit = Artisan::call("ajuste:{$command}", [...$options, '--json' => true]);
        $output = Artisan::output();
        self::assertSame(0, $exit, $output);

        return (array) json_decode($output, true, flags: JSON_THROW_ON_ERROR);
    }

    /** What an independent package of the npm registry says. */
    protected static function node(string $what, string $input = '', string $file = ''): string
    {
        return (new Process(
            array_filter(['node', dirname(__DIR__).'/payments.mjs', $what, $file]),
            dirname(__DIR__, 2),
            null,
            $input,
            60,
        ))
            ->mustRun()
            ->getOutput();
    }

    protected function assertBooksHold(): void
    {
        self::assertSame([], app(Verification::class)->faults());
    }

    /** @return list<string> account and minor units of one voucher, the last unless numbered */
    protected function voucher(?int $id = null): array
    {
        return DB::table('postings')
            ->join('accounts', 'accounts.id', '=', 'account_id')
            ->where('voucher_id', $id ?? (int) DB::table('vouchers')->max('id'))
            ->orderBy('postings.id')
            ->get()
            ->map(static fn (object $line): string => "{$line->account} {$line->base}")
            ->all();
    }

    protected function refused(string $says, Closure $attempt): void
    {
        try {
            $attempt();
            self::fail("“{$says}” was expected.");
        } catch (Refusal $refusal) {
            self::assertStringContainsString($says, $refusal->getMessage());
        }
    }

    /** @param  int  $net minor units */
    protected function creditedLine(int $invoice, string $name, int $net): CreditedLine
    {
        foreach (app(InvoiceLines::class)->of(app(Positions::class)->find($invoice)) as $line) {
            if ($line->name === $name) {
                return $line->credited($net);
            }
        }
        throw new Refusal("There is no line {$name}.");
    }

    /** Receivables and deposits tie to the customers, and the books hold together. */
    protected function level(): void
    {
        self::assertSame('0.00', $this->report('proof')['difference']);
        self::assertSame('0.00', $this->report('proof', ['--account' => '2170'])['difference']);
        $this->assertBooksHold();
    }
}
