<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Currency\ExchangeResult;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use App\Actions\ReverseRun;
use App\Actions\ReverseSettlement;
use App\Actions\Runs\PostRun;
use App\Actions\Runs\RunPlans;
use App\Actions\SettleItems;
use App\Queries\ExchangeResults;
use App\Queries\Runs;
use App\Values\MatchRequest;
use Illuminate\Support\Facades\DB;

/** Open foreign items at the closing rate (R9): posted as a run, given back on settlement, taken back, run again. */
final class CurrencyRunTest extends BooksTestCase
{
    private const RATES = "date,currency,rate\n2026-09-30,GBP,1.1540\n2026-10-30,GBP,1.1720\n2026-11-30,GBP,1.1500\n";

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS."4810,Unrealised gains,income,exchange_unrealised_gain\n"
                ."6810,Unrealised losses,expense,exchange_unrealised_loss\n",
            'rates.csv' => self::RATES,
            'items.csv' => self::items(['I1,invoice,C3,2026-09-30,2026-11-05,GBP,8000.00,9232.00,,,E1,']),
            'ledger.csv' => self::ledger(['E1,2026-09-30,1100,s,9232.00,,I1,', 'E1,2026-09-30,4000,s,,9232.00,I1,']),
        ]);
        $this->actingAs($this->person());
    }

    private function revalue(string $asOf = '2026-10-31'): int
    {
        return app(PostRun::class)->post(bin2hex(random_bytes(8)), RunKind::Currency, $this->control(), $asOf, '');
    }

    private function pay(string $document, string $amount, string $base, string $date): void
    {
        $this->import([
            'items.csv' => self::items(["{$document},receipt,C3,{$date},,GBP,{$amount},{$base},,,{$document}E,"]),
            'ledger.csv' => self::ledger(
                ["{$document}E,{$date},1500,s,{$base},,{$document},", "{$document}E,{$date},1100,s,,{$base},{$document},"],
            ),
        ]);
    }

    /** @return array<string, string> balances by account, debit-positive */
    private function balances(string $asOf): array
    {
        $sums = DB::table('postings as p')->join('accounts as a', 'a.id', '=', 'p.account_id')
            ->where('p.date', '<=', $asOf)->whereNull('p.superseded_at')->groupBy('a.account')->orderBy('a.account')
            ->selectRaw('a.account, sum(p.base) AS base')->pluck('base', 'account');

        return $sums->map(static fn ($of): string => Money::ofMinor((int) $of, 'EUR')->decimal())
            ->only(['1100', '4800', '4810', '6800', '6810'])
            ->all();
    }

    private function carried(string $asOf): string
    {
        $rows = (array) $this->report('aged', ['--as-of' => $asOf])['customers'];

        return $rows[0]['total'] ?? '0.00';
    }

    public function test_an_advance_is_held_as_a_deposit_is_not_revalued_and_corrects_the_revenue_of_its_invoice(): void
    {
        $this->pay('R1', '1000.00', '1100.00', '2026-10-05');
        $receipt = $this->itemId('R1');
        $this->get('/currency')->assertSee('Hold as a deposit')->assertSee('2 items change');
        foreach ([1, 2] as $click) {
            $this->post("/documents/{$receipt}/deposit", ['key' => 'd'])->assertSessionHas('done');
        }
        $this->post("/documents/{$receipt}/deposit", ['key' => 'e'])->assertSessionHas('refusal');
        self::assertSame(['I1'], array_column((array) $this->report('currency')['lines'], 'document'));
        self::assertSame('0.00', $this->report('proof', ['--account' => '2170'])['difference']);
        $this->get('/deposits')->assertSee('R1');
        $this->assertBooksHold();

        // The invoice at 1.1720: GBP 1,000.00 of revenue are what was received for them, 1,100.00.
        $this->import([
            'items.csv' => self::items(['I2,invoice,C3,2026-10-30,2026-12-05,GBP,1000.00,1172.00,,,E2,']),
            'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\nI2,1,Oil,1,1000.00,1000.00,0,4000\n",
            'ledger.csv' => self::ledger(['E2,2026-10-30,1100,s,1172.00,,I2,', 'E2,2026-10-30,4000,s,,1172.00,I2,']),
        ]);
        $before = $this->balances('2026-10-31');
        $deposit = $this->itemId('R1', 'deposit');
        $this->settle($this->customerId('C3'), [$deposit, $this->itemId('I2')]);
        $after = $this->balances('2026-10-31');
        self::assertSame(
            [$before['4800'] ?? '', $before['6800'] ?? ''],
            [$after['4800'] ?? '', $after['6800'] ?? ''],
            'nothing is realised',
        );
        self::assertSame(-1_10000, (int) DB::table('postings as p')->join('accounts as a', 'a.id', '=', 'p.account_id')
            ->where('a.account', '4000')->whereIn('p.document', ['I2'])->sum('p.base'));
        self::assertSame(['0.00', '0.00'], [
            $this->report('proof')['difference'], $this->report('proof', ['--account' => '2170'])['control'],
        ]);
        $this->assertBooksHold();
        app(ReverseSettlement::class)->post('back', (int) DB::table('settlements')->max('id'), '2026-10-31', 'on second thoughts');
        self::assertSame($before, $this->balances('2026-10-31'));
        $this->assertBooksHold();
    }

    /** @param  list<int>  $items */
    private function settle(int $customer, array $items): void
    {
        $takes = array_fill_keys($items, null);
        app(SettleItems::class)->post('m', new MatchRequest($customer, $takes), $this->control());
    }

    public function test_gains_and_losses_by_month_currency_and_customer_tie_to_the_accounts(): void
    {
        $this->import([
            'customers.csv' => "customer,name,currency\nC4,Cuatro,GBP\n",
            'items.csv' => self::items(['I5,invoice,C4,2026-09-30,2026-11-05,GBP,100.00,120.00,,,E5,']),
            'ledger.csv' => self::ledger([
                'E5,2026-09-30,1100,s,120.00,,I5,', 'E5,2026-09-30,4000,s,,120.00,I5,', 'X1,2026-10-15,4800,bank,,2.50,,',
                'X1,2026-10-15,1500,bank,2.50,,,',
            ]),
        ]);
        $this->revalue();
        $this->pay('R1', '3000.00', '3483.00', '2026-11-10');
        $this->match('C3', ['I1' => '3000.00', 'R1' => ''], '2026-11-10');
        $said = static fn (): array => array_map(
            static fn (ExchangeResult $of): string => implode(' ', [
                $of->account->number, $of->month, $of->currency, $of->customer, $of->gain->decimal(),
            ]),
            app(ExchangeResults::class)->of('2026-01-01', '2026-11-30'),
        );
        self::assertSame([
            '4800 2026-10   2.50', '4800 2026-11 GBP C3 21.00', '4810 2026-10 GBP C3 144.00', '4810 2026-11 GBP C3 -54.00',
            '6810 2026-10 GBP C4 -2.80',
        ], $said());
        $this->get('/currency/results?as_of=2026-11-30')->assertOk()->assertSee('no document named')->assertSee('Cuatro');
        $this->get('/currency/results?from=2026-12-01')->assertStatus(422);
        foreach (['2026-10-31', '2026-11-09', '2026-11-10', '2026-11-30'] as $day) {
            foreach (app(ExchangeResults::class)->unrealised($this->control(), $day) as $proof) {
                self::assertSame('0.00', $proof->difference()->decimal(), "{$day} {$proof->currency} {$proof->account->number}");
            }
            $byAccount = [];
            foreach (app(ExchangeResults::class)->of('2000-01-01', $day) as $of) {
                $byAccount[$of->account->number] = ($byAccount[$of->account->number] ?? 0) - $of->gain->minor;
            }
            $balances = array_diff_key($this->balances($day), ['1100' => 0]);
            self::assertSame($balances, array_map(static fn (int $of): string => Money::ofMinor($of, 'EUR')->decimal(), $byAccount), $day);
        }
        $this->import(['settings.csv' => "name,value\ncurrency_policy,reverse\n"]);
        $this->revalue('2026-11-30');
        foreach (['2026-11-30', '2026-12-01'] as $day) {
            foreach (app(ExchangeResults::class)->unrealised($this->control(), $day) as $proof) {
                self::assertSame('0.00', $proof->difference()->decimal(), "{$day} {$proof->currency} {$proof->account->number}");
            }
        }
        $this->assertBooksHold();
    }

    public function test_the_command_gives_the_plan_that_the_run_posts(): void
    {
        $plan = $this->report('currency');
        self::assertSame(
            [[['customer' => 'C3', 'document' => 'I1', 'currency' => 'GBP', 'amount' => '8000.00', 'base' => '144.00',
                'why' => 'GBP at 1.1720 of 2026-10-30: 9,376.00, carried 9,232.00']], [], '144.00'],
            [$plan['lines'], $plan['left_out'], $plan['total']],
        );
        self::assertSame(
            [
                ['account' => '1100', 'debit' => '144.00', 'credit' => '0.00'],
                ['account' => '4810', 'debit' => '0.00', 'credit' => '144.00'],
            ],
            $plan['voucher'],
        );
        $this->revalue();
        self::assertSame('9376.00', $this->carried('2026-10-31'));
        self::assertSame([[], '0.00'], [$this->report('currency')['lines'], $this->report('currency')['total']], 'twice changes nothing');
        $this->refused('nothing to post', fn () => $this->revalue());
        $this->assertBooksHold();
    }

    public function test_paid_in_full_gives_it_back_and_realises_the_difference(): void
    {
        $this->revalue();
        $this->pay('R1', '8000.00', '9288.00', '2026-11-10');
        $this->match('C3', ['I1' => '', 'R1' => ''], '2026-11-10');
        // R9: unrealised −144.00, realised gain 56.00.
        self::assertSame(['1100' => '0.00', '4800' => '-56.00', '4810' => '0.00'], $this->balances('2026-11-10'));
        self::assertSame('-144.00', $this->balances('2026-10-31')['4810']);
        self::assertSame('0.00', $this->carried('2026-11-10'));
        $this->assertBooksHold();
    }

    public function test_paid_in_part_gives_back_its_share(): void
    {
        $this->revalue();
        $this->pay('R1', '3000.00', '3483.00', '2026-11-10');
        $settlement = $this->match('C3', ['I1' => '3000.00', 'R1' => ''], '2026-11-10');
        // R9: base moved 3,462.00, cash 3,483.00, realised 21.00, unrealised −54.00, left 5,770.00 + 90.00.
        self::assertSame(['1100' => '5860.00', '4800' => '-21.00', '4810' => '-90.00'], $this->balances('2026-11-10'));
        self::assertSame('5860.00', $this->carried('2026-11-10'));
        $next = $this->report('currency', ['--as-of' => '2026-11-30']);
        self::assertSame(['5000.00', '-110.00'], [$next['lines'][0]['amount'], $next['lines'][0]['base']], '5,750.00 less 5,860.00');
        $this->revalue('2026-11-30');
        self::assertSame('5750.00', $this->carried('2026-11-30'));
        $this->pay('R2', '5000.00', '5800.00', '2026-12-05');
        $this->match('C3', ['I1' => '', 'R2' => ''], '2026-12-05');
        self::assertSame(
            ['1100' => '0.00', '4800' => '-51.00', '4810' => '0.00', '6810' => '0.00'],
            $this->balances('2026-12-05'),
            'gains and losses each go back to the account that they came from',
        );
        $this->assertBooksHold();
        app(ReverseSettlement::class)->post('back', $settlement, '2026-12-06', 'paid something else');
        self::assertSame('-54.00', $this->balances('2026-12-06')['4810'], 'what the match had given back stands on the invoice again');
        $this->assertBooksHold();
    }

    public function test_a_run_taken_back_leaves_settlements_as_they_are_and_run_again_counts_what_was_settled_since(): void
    {
        $run = $this->revalue();
        $this->pay('R1', '3000.00', '3483.00', '2026-11-10');
        $this->match('C3', ['I1' => '3000.00', 'R1' => ''], '2026-11-10');
        app(ReverseRun::class)->post('back', RunKind::Currency, $run, 'the rate was wrong');
        self::assertSame(['1100' => '5770.00', '4800' => '-21.00', '4810' => '0.00'], $this->balances('2026-11-10'));
        self::assertSame('9232.00', $this->carried('2026-10-31'));
        self::assertSame(500_000, $this->openOf('I1', 'invoice'));
        $this->assertBooksHold();
        $this->revalue();
        self::assertSame(['1100' => '5860.00', '4800' => '-21.00', '4810' => '-90.00'], $this->balances('2026-11-10'));
        self::assertSame('9376.00', $this->carried('2026-10-31'));
        $this->assertBooksHold();
    }

    public function test_taken_back_on_day_one_where_the_policy_says_so(): void
    {
        $this->import(['settings.csv' => "name,value\ncurrency_policy,reverse\n"]);
        $run = $this->revalue();
        self::assertSame(['9376.00', '9232.00'], [$this->carried('2026-10-31'), $this->carried('2026-11-01')]);
        $this->pay('R1', '8000.00', '9288.00', '2026-11-10');
        $this->match('C3', ['I1' => '', 'R1' => ''], '2026-11-10');
        self::assertSame(['1100' => '0.00', '4800' => '-56.00', '4810' => '0.00'], $this->balances('2026-11-10'));
        app(ReverseRun::class)->post('back', RunKind::Currency, $run, 'wrong');
        self::assertSame(['9232.00', '0.00'], [$this->carried('2026-10-31'), $this->carried('2026-11-10')]);
        $this->assertBooksHold();
    }

    public function test_rates_that_are_missing_old_or_far_from_the_last(): void
    {
        $this->get('/currency')->assertOk()->assertSee('1.1720');
        $plans = app(RunPlans::class);
        $of = fn (string $day): RunPlan => $plans->of(RunKind::Currency, $this->control(), $day);
        $this->refused('There is no rate of GBP for 2026-11-10', fn () => $of('2026-11-10'));
        $this->import(['rates.csv' => "date,currency,rate\n2026-10-31,GBP,1.4000\n"]);
        $this->refused('GBP at 1.4000 of 2026-10-31 is more than 10 % from 1.1720 of 2026-10-30', fn () => $of('2026-10-31'));
        self::assertSame('1968.00', $this->report('currency', ['--accept-rates' => true])['total']);
        $this->get('/currency')->assertOk()->assertSee('more than 10 %')->assertSee('The rates are right');
        $this->post('/currency/accept-rates', ['key' => 'rates'])->assertRedirect('/currency');
        $this->get('/currency')->assertOk()->assertSee('11,200.00')->assertDontSee('The rates are right');
        self::assertSame(1, DB::table('rates_accepted')->count());
    }

    public function test_rates_are_typed_with_a_reason_and_fetched_from_the_simulated_source(): void
    {
        $typed = ['date' => '2026-10-31', 'currency' => 'gbp', 'rate' => '1,1800', 'quoted' => 'base_per_unit', 'reason' => 'central bank'];
        foreach ([
            [['reason' => ''], 'needs a reason'], [
                ['rate' => '1,5'],
                'more than 10 % from 1.1720',
            ], [['currency' => 'EUR'], 'it has no rate'],
            [['rate' => 'x'], 'is not a rate'], [['quoted' => ''], 'direction'],
        ] as $place => [$wrong, $says]) {
            $this->post('/rates', ['key' => "w{$place}", ...$typed, ...$wrong]);
            $refusal = session('refusal');
            self::assertStringContainsString($says, is_string($refusal) ? $refusal : '');
        }
        $this->post('/rates', ['key' => 'ok', ...$typed])->assertRedirect('/rates');
        self::assertSame('208.00', $this->report('currency')['total']);
        $this->get('/rates')->assertOk()->assertSee('A preparer: central bank')->assertSee('1.1800');
        $this->post('/rates', ['key' => 'far', ...$typed, 'rate' => '1.5', 'meant' => '1'])->assertSessionHas('done');
        $this->post('/rates/fetch', ['date' => '2026-10-29'])->assertSessionHas('done');
        $fetched = DB::table('rates')->where('date', '2026-10-29')->first(['rate', 'quoted', 'source']);
        self::assertSame(['unit_per_base', 'a file'], [$fetched?->quoted, $fetched?->source]);
        self::assertEqualsWithDelta(1 / 1.154, (float) $fetched?->rate, 0.005);
        $this->assertBooksHold();
    }

    public function test_a_later_match_of_an_earlier_day_puts_the_run_out_of_date(): void
    {
        $run = $this->revalue();
        $this->pay('R1', '3000.00', '3483.00', '2026-10-20');
        $this->match('C3', ['I1' => '3000.00', 'R1' => ''], '2026-10-20');
        self::assertSame([$run => ['I1']], app(Runs::class)->outOfDate(RunKind::Currency, $this->control()->id));
        $again = app(PostRun::class)->again('again', RunKind::Currency, $this->control(), $run);
        self::assertSame('5860.00', $this->carried('2026-10-31'));
        self::assertSame([], app(Runs::class)->outOfDate(RunKind::Currency, $this->control()->id));
        self::assertGreaterThan($run, $again);
        $this->assertBooksHold();
    }
}
