<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use App\Actions\ExportJournals;
use App\Actions\ReverseRun;
use App\Actions\Runs\PostRun;
use App\Models\Run;
use App\Queries\HomeToTheLedger;
use App\Queries\Settings;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** R2, home to the ledger, and R10 as a run. */
final class HomeToTheLedgerTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-01,2026-10-31,EUR,1000.00,1000.00,,,,',
                'R,receipt,C2,2026-10-05,,EUR,250.00,250.00,,,,',
                'G,invoice,C3,2026-09-01,2026-10-01,GBP,8000.00,9232.00,,,,',
                'S,receipt,C3,2026-10-12,,GBP,8000.00,9288.00,,,,',
            ]),
            'ledger.csv' => self::ledger([
                'E1,2026-10-01,1100,s,1000.00,,A,',
                'E3,2026-10-05,1100,s,,250.00,R,',
                'E4,2026-09-01,1100,s,9232.00,,G,',
                'E5,2026-10-12,1100,s,,9288.00,S,',
            ]),
        ]);
    }

    private function present(string $key = 'k'): int
    {
        $settings = app(Settings::class);

        return app(PostRun::class)->post($key, RunKind::CreditBalances, $settings->controlAccount(), '2026-10-31', '');
    }

    /** The journals export as the accounting system would hand it back in its ledger file. */
    private function asLedger(string $journals): string
    {
        $lines = array_map(str_getcsv(...), array_filter(explode("\n", $journals)));
        $rows = [];
        foreach (array_slice($lines, 1) as $line) {
            $rows[] = "{$line[0]},{$line[1]},{$line[2]},taken over,{$line[4]},{$line[5]},{$line[9]},";
        }

        return self::ledger($rows);
    }

    public function test_own_vouchers_come_back_confirm_themselves_and_count_once(): void
    {
        $this->match('C3', ['G' => '', 'S' => '']);
        $this->present();
        $before = $this->report('proof');
        self::assertSame(['694.00', '56.00', '750.00'], [$before['ledger_as_imported'], $before['own_vouchers'], $before['control']]);

        $export = app(ExportJournals::class);
        $files = [
            'ledger.csv' => $this->asLedger($export->journals(null)),
            'items.csv' => $export->items(null),
            'matches.csv' => $export->matches(null),
        ];
        self::assertSame(['exported'], $this->states());
        $report = $this->import($files);
        self::assertSame([], $report->refused);
        self::assertSame(
            ['items.csv' => [0, 1], 'matches.csv' => [0, 1], 'ledger.csv' => [0, 3]],
            array_map(static fn ($file): array => [$file->new, $file->confirms], array_column($report->files, null, 'name')),
        );

        $after = $this->report('proof');
        self::assertSame(
            ['750.00', '0.00', '750.00', $before['customers'], '0.00'],
            [$after['ledger_as_imported'], $after['own_vouchers'], $after['control'], $after['customers'], $after['difference']],
        );
        self::assertSame(['taken over'], $this->states());
        self::assertTrue($this->import($files)->changesNothing() || $this->import($files)->files[1]->new === 0);
        $this->assertBooksHold();
    }

    /** @return list<string> */
    private function states(): array
    {
        $home = app(HomeToTheLedger::class);

        return array_values(array_unique(array_column($home->vouchers($home->ids()), 'state')));
    }

    public function test_a_voucher_that_does_not_come_back_is_listed_as_such(): void
    {
        $this->match('C3', ['G' => '', 'S' => '']);
        self::assertSame(['to export'], $this->states());
        app(ExportJournals::class)->journals(null);
        $this->import(['ledger.csv' => self::ledger(['E9,2026-10-01,1500,s,1.00,,,', 'E9,2026-10-31,1500,s,,1.00,,'])]);
        self::assertSame(['not brought back'], $this->states());
    }

    public function test_a_voucher_that_comes_back_otherwise_is_refused(): void
    {
        $this->match('C3', ['G' => '', 'S' => '']);
        $report = $this->import(['ledger.csv' => self::ledger(['AJ-00001,2026-10-12,1100,s,57.00,,G,'])]);
        self::assertStringContainsString('is expected, with its date and amount', $report->refused[0]->expected);
        $items = $this->import(['items.csv' => self::items(['G,exchange_difference,C3,2026-10-12,,GBP,0,57.00,debit,G,,'])]);
        self::assertStringContainsString('posted here with other figures', $items->refused[0]->expected);
    }

    public function test_exports_follow_their_formats(): void
    {
        $this->match('C3', ['G' => '', 'S' => '']);
        $export = app(ExportJournals::class);
        self::assertSame(
            "voucher,date,account,description,debit,credit,currency,currency_amount,customer,document,reference,source\nAJ-00001,"
                ."2026-10-12,1100,Realised exchange gain on G,56.00,,EUR,56.00,C3,G,,ajuste\nAJ-00001,2026-10-12,4800,"
                    ."Realised exchange gain on G,,56.00,EUR,56.00,C3,G,,ajuste\n",
            $export->journals(null),
        );
        self::assertStringContainsString(
            "G,exchange_difference,C3,2026-10-12,2026-10-12,GBP,0.00,56.00,debit,G,1100,AJ-00001\n",
            $export->items(null),
        );
        self::assertSame("date,debit_document,credit_document,amount\n2026-10-12,G,S,8000.00\n", $export->matches(null));
        self::assertSame(1, substr_count($export->journals('2026-10-13'), "\n"));
    }

    public function test_what_is_exported_closes_empty_books_alike(): void
    {
        $this->match('C3', ['G' => '', 'S' => '']);
        $export = app(ExportJournals::class);
        [$ownItems, $ownMatches] = [$export->items(null), $export->matches(null)];
        $aged = $this->report('aged');
        DB::disconnect();
        unlink("{$this->folder}/books.sqlite");
        Artisan::call('ajuste:books');
        $this->importBasics([
            'items 1.csv' => self::items([
                'A,invoice,C1,2026-10-01,2026-10-31,EUR,1000.00,1000.00,,,,',
                'R,receipt,C2,2026-10-05,,EUR,250.00,250.00,,,,',
                'G,invoice,C3,2026-09-01,2026-10-01,GBP,8000.00,9232.00,,,,',
                'S,receipt,C3,2026-10-12,,GBP,8000.00,9288.00,,,,',
            ]),
            'items 2.csv' => $ownItems,
            'matches.csv' => $ownMatches,
        ]);
        self::assertSame($aged['customers'], $this->report('aged')['customers']);
        $this->assertBooksHold();
    }

    public function test_credit_balances_post_both_vouchers_and_leave_the_proof(): void
    {
        $plan = $this->report('credit-balances');
        self::assertSame(
            ['306.00', [['1150', '306.00', '0.00'], ['2150', '0.00', '306.00']]],
            [$plan['total'], array_map(array_values(...), $plan['voucher'])],
        );
        self::assertSame(
            ['C2 250.00', 'C3 56.00'],
            array_map(static fn (array $line): string => "{$line['customer']} {$line['base']}", $plan['lines']),
        );
        $proof = $this->report('proof');
        $run = $this->present();
        self::assertSame($run, $this->present());
        self::assertSame($proof, $this->report('proof'));
        self::assertSame(['2026-10-31', '2026-11-01'], DB::table('vouchers')->orderBy('id')->pluck('date')->all());
        $after = $this->report('credit-balances');
        self::assertSame(['0.00', []], [$after['total'], $after['lines']]);
        self::assertStringContainsString('presented already', $after['left_out'][0]['why']);
        $this->expectExceptionMessage('presented already');
        $this->present('other');
    }

    public function test_what_stays_below_the_limit_is_said_in_base(): void
    {
        $this->importBasics(['settings.csv' => "name,value\ncredit_balances,customer_currency\ncredit_balance_limit,300.00\n"]);
        $plan = $this->report('credit-balances');
        self::assertSame(
            ['0.00', ['C2 250.00', 'C3 56.00']],
            [$plan['total'], array_map(static fn (array $line): string => "{$line['customer']} {$line['amount']}", $plan['left_out'])],
        );
    }

    public function test_a_run_is_reversed_as_one_and_replaced_when_out_of_date(): void
    {
        $this->present();
        $this->match('C3', ['G' => '', 'S' => '']);
        $plan = $this->report('credit-balances');
        self::assertSame('250.00', $plan['total']);
        $this->refused('stands and is out of date', fn () => $this->present('beside'));
        $second = app(PostRun::class)->again('second', RunKind::CreditBalances, $this->control(), 1);
        self::assertSame(25000, Run::query()->findOrFail($second)->total);
        self::assertSame(
            0,
            (int) DB::table('postings')
                ->join('accounts', 'accounts.id', '=', 'account_id')
                ->where('account', '1150')
                ->where('date', '<=', '2026-11-30')
                ->sum('base'),
        );
        self::assertSame(
            25000,
            (int) DB::table('postings')
                ->join('accounts', 'accounts.id', '=', 'account_id')
                ->where('account', '1150')
                ->where('date', '<=', '2026-10-31')
                ->sum('base'),
        );
        app(ReverseRun::class)->post('r', RunKind::CreditBalances, $second, 'agreed to refund');
        self::assertSame(
            0,
            (int) DB::table('postings')
                ->join('accounts', 'accounts.id', '=', 'account_id')
                ->where('account', '2150')
                ->where('date', '<=', '2026-10-31')
                ->sum('base'),
        );
        $this->assertBooksHold();
        $this->expectException(Refusal::class);
        app(ReverseRun::class)->post('r2', RunKind::CreditBalances, $second, 'again');
    }

    public function test_nothing_is_posted_into_locked_days(): void
    {
        $this->lock('2026-10');
        $this->expectExceptionMessage('first open day is 2026-11-01');
        $this->present();
    }
}
