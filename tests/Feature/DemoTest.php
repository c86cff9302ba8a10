<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\Import\ImportFiles;
use App\Actions\Import\RefusedRows;
use App\Actions\Receipts\PlaceElsewhere;
use App\Actions\Receipts\PlaceReceipt;
use App\Actions\Runs\PostRun;
use App\Actions\SettleItems;
use App\Files\SourceFiles;
use App\Queries\CustomerHit;
use App\Queries\CustomerSearch;
use App\Queries\LineGuess;
use App\Queries\ReceiptWorklist;
use App\Queries\Settings;
use App\Queries\Unapplied;
use App\Queries\UnappliedBrief;
use App\Values\MatchRequest;
use Database\Seeders\DemoFiles;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** Closing the demo's books by hand through the stations, with the figures at each step. */
final class DemoTest extends BooksTestCase
{
    /** The demo makes its own books, and takes no others. */
    protected function setUp(): void
    {
        parent::setUp();
        DB::disconnect();
        array_map(unlink(...), (array) glob("{$this->folder}/books.sqlite*"));
    }

    public function test_the_seed_is_deterministic(): void
    {
        self::assertSame((new DemoFiles())->handedOver(), (new DemoFiles())->handedOver());
    }

    public function test_the_demo_is_closed_station_by_station(): void
    {
        self::assertSame(0, Artisan::call('ajuste:demo', ['--quiet' => true]));
        self::assertSame(140, DB::table('customers')->count());
        self::assertSame(40, DB::table('customers')->whereNotNull('supplier_id')->count());
        self::assertSame(17, DB::table('items')->distinct()->count('kind'));
        self::assertSame(['EUR', 'GBP', 'JPY', 'USD'], DB::table('items')->distinct()->orderBy('currency')->pluck('currency')->all());
        self::assertGreaterThan(2000, DB::table('items')->count());

        // Proof: every planted cause is named, and the three figures tie.
        $proof = $this->report('proof');
        self::assertSame(
            [
                'opening_difference 37.50',
                'duplicate_in_ledger 1200.88',
                'duplicate_in_subledger 3339.63',
                'wrong_account 1543.61',
                'cut_off -754.71',
                'sign_reversed -366.00',
                'amount_transposed -900.00',
                'amount_shifted -8848.62',
                'amount_differs 328.62',
                'not_in_ledger 1864.20',
                'not_in_subledger -1250.00',
            ],
            array_map(static fn (array $cause): string => "{$cause['cause']} {$cause['amount']}", $proof['causes']),
        );
        self::assertSame(
            ['475493.48', '471688.59', '3804.89', '20433.77'],
            [$proof['control'], $proof['customers'], $proof['difference'], $proof['unexplained']],
        );
        // In September there was but the difference brought forward.
        self::assertSame(['opening_difference'], array_column($this->report('proof', ['--as-of' => '2026-09-30'])['causes'], 'cause'));

        // Intake: what can be mended at the source comes back mended; what is of another period stays.
        $mended = app(ImportFiles::class)->post(
            SourceFiles::at("{$this->folder}/hand-in/october-mended", $this->folder),
            RefusedRows::RefuseAll,
            'mended',
        );
        self::assertSame([], $mended->refused);
        $proof = $this->report('proof');
        self::assertSame(
            ['cut_off -754.71'],
            array_map(static fn (array $cause): string => "{$cause['cause']} {$cause['amount']}", $proof['causes']),
        );
        self::assertSame('754.71', $proof['difference']);

        // Unapplied: customer by customer, as much as both sides allow, until nothing unapplied has anything open beside it.
        $settings = app(Settings::class);
        $account = $settings->controlAccount();
        $unapplied = app(Unapplied::class);
        $count = 0;
        while (($next = $this->matchable($unapplied->briefs($account, '2026-10-31'))) !== null && $count++ < 200) {
            $this->settleAll($next->id);
        }
        self::assertSame(0, $unapplied->totals($account, '2026-10-31')->sums->matchable);
        $after = $this->report('proof');
        self::assertSame($proof['causes'], $after['causes']);
        self::assertSame($proof['difference'], $after['difference']);
        // Matching changes no balance but for the exchange that it realises, which the ledger gets too.
        $realised = (float) $after['customers'] - (float) $proof['customers'];
        self::assertSame($after['own_vouchers'], number_format($realised + (float) $proof['own_vouchers'], 2, '.', ''));
        self::assertSame('-85.00', $proof['own_vouchers'], 'what a shop will never pay was written off in September');

        // Whose document it is shows before its number is typed to the end.
        $document = (string) DB::table('items')->where('kind', 'invoice')->value('document');
        $hits = app(CustomerSearch::class)->hits(substr($document, 0, -1));
        self::assertContains('beginning of a document', array_map(static fn (CustomerHit $hit): string => $hit->by, $hits));

        // Credit balances: the sum presented is what is unapplied and cannot be matched.
        $plan = $this->report('credit-balances');
        $aged = $this->report('aged');
        app(PostRun::class)->post('demo', RunKind::CreditBalances, $account, '2026-10-31', '');
        self::assertSame($after['control'], $this->report('proof')['control']);
        self::assertSame('0.00', $this->report('credit-balances')['total']);
        self::assertGreaterThan(0, (float) $plan['total']);

        // Aged: the list equals the customers, and what it lacks to the control account is the cut-off.
        self::assertSame($after['customers'], $aged['totals']['total']);
        self::assertSame('754.71', $aged['difference']);
        $this->assertBooksHold();
    }

    /**
     * October's statements: no wrong automatic match, and at least 85 % of the money is settled by accepting the first proposal.
     */
    public function test_the_statements_of_october_are_worked_by_their_first_proposals(): void
    {
        Artisan::call('ajuste:demo', ['--quiet' => true]);
        $truth = (new DemoFiles())->truth();
        $control = $this->control();
        $before = $this->report('proof');
        $worth = $settled = 0;
        $wrong = [];
        foreach (app(ReceiptWorklist::class)->guesses($control, '2026-10-31') as $guess) {
            $line = $guess->line;
            $is = $truth[$line->reference];
            $worth += max(0, $line->amount->minor);
            if ($guess->isCertain() && $guess->confirmation !== null) {
                $posting = DB::table('postings')->where('id', $guess->confirmation->postingId)->first();
                $wrong = [
                    ...$wrong,
                    ...in_array($is, [$posting->document, $posting->batch], true)
                        ? []
                        : ["{$line->reference} confirms {$posting->document}{$posting->batch}, not {$is}"],
                ];
                app(PlaceElsewhere::class)->confirm("c{$line->id}", $line->id, $guess->confirmation->postingId);
                $settled += $line->amount->minor;
            } elseif ($guess->isCertain()) {
                $customer = (string) DB::table('customers')->where('id', $guess->payers[0]->customerId)->value('customer');
                $wrong = [...$wrong, ...$is === $customer ? [] : ["{$line->reference} is placed with {$customer}, not {$is}"]];
                app(PlaceReceipt::class)->post(
                    "p{$line->id}",
                    LineGuess::requestFor($line, $guess->payers[0]->customerId, $guess->proposal),
                    $control,
                );
                $settled += $line->amount->minor;
            }
        }
        self::assertSame([], $wrong);
        self::assertGreaterThan(0.85, $settled / $worth);
        // What is left says why not.
        $left = array_map(
            static fn (LineGuess $guess): string => $guess->kind(),
            app(ReceiptWorklist::class)->guesses($control, '2026-10-31'),
        );
        sort($left);
        $kinds = ['came back', 'in order of age', 'in order of age', 'payer not sure', 'payer unknown', 'quoted, not the same sum'];
        self::assertSame($kinds, $left);
        self::assertSame($before['difference'], $this->report('proof')['difference']);
        $this->assertBooksHold();
    }

    /** @param  list<UnappliedBrief>  $customers */
    private function matchable(array $customers): ?UnappliedBrief
    {
        return array_values(array_filter($customers, static fn (UnappliedBrief $customer): bool => $customer->isMatchable))[0] ?? null;
    }

    private function settleAll(int $customerId): void
    {
        $control = $this->control();
        $items = array_map(static fn (OpenItem $item): int => $item->id, app(Unapplied::class)->items($control, $customerId, '2026-10-31'));
        app(SettleItems::class)->post(
            "demo-{$customerId}-".bin2hex(random_bytes(4)),
            new MatchRequest($customerId, array_fill_keys($items, null)),
            $control,
        );
    }
}
