<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Exchange\Bank\OrderAnswer;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\AccountShare;
use Ajuste\Core\Settlement\CreditNoteUse;
use Ajuste\Core\Settlement\FeeBearer;
use Ajuste\Core\Settlement\PaymentWay;
use Ajuste\Core\Settlement\RestPlace;
use App\Actions\IssueCreditNote;
use App\Actions\LockPeriod;
use App\Actions\Receipts\DivideReceipt;
use App\Actions\Receipts\KeepBatch;
use App\Actions\Receipts\PlaceElsewhere;
use App\Actions\Receipts\PlaceReceipt;
use App\Actions\Receipts\PostBatch;
use App\Actions\Receipts\ReverseReceipt;
use App\Actions\Receipts\SendReceipt;
use App\Actions\Receipts\SetAsideRules;
use App\Actions\ReverseDocument;
use App\Actions\SettleItems;
use App\Queries\Batches;
use App\Queries\CustomerSearch;
use App\Queries\LineGuess;
use App\Queries\ReceiptWorklist;
use App\Queries\Settings;
use App\StandIn\Outbox;
use App\Values\BatchPosting;
use App\Values\CreditNoteRequest;
use App\Values\MatchRequest;
use App\Values\ReceiptRequest;
use App\Values\TypedReceipt;
use Illuminate\Support\Facades\DB;

/** What can be done with money besides placing it with one customer: batches, deposits, divisions, confirmations, returns. */
final class MoneyTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS.
                "1510,Till,asset,till\n1520,In transit,asset,receipts_in_transit\n2300,Output ".
                "tax,liability,output_tax\n6100,Charges,expense,bank_charges\n7600,Interest,income,\n",
            'customers.csv' => "customer,name,currency,email\nC1,Almadraba Foods,EUR,c1@example.invalid\nC2,Tiendas ".
                "Romeral,EUR,\nC3,Kita Export,USD,\n",
            'items.csv' => self::items([
                'I1,invoice,C1,2026-09-12,2026-10-12,EUR,400.00,400.00,,,E1,',
                'I2,invoice,C1,2026-10-02,2026-11-01,EUR,1210.00,1210.00,,,E2,',
                'I3,invoice,C2,2026-09-20,2026-10-20,EUR,300.00,300.00,,,E3,',
                'R1,receipt,C2,2026-10-07,2026-10-07,EUR,300.00,300.00,,I3,E4,',
                'U1,invoice,C3,2026-09-20,2026-10-20,USD,1000.00,900.00,,,E5,',
            ]),
            'matches.csv' => "date,debit_document,credit_document,amount\n2026-10-07,I3,R1,300.00\n",
            'ledger.csv' => self::ledger([
                'E1,2026-09-12,1100,s,400.00,,I1,',
                'E2,2026-10-02,1100,s,1210.00,,I2,',
                'E3,2026-09-20,1100,s,300.00,,I3,',
                'E4,2026-10-07,1100,receipt,,300.00,R1,',
                'E4,2026-10-07,1500,receipt,300.00,,R1,',
                'E5,2026-09-20,1100,s,900.00,,U1,',
            ]),
        ]);
        $this->ownBank();
        $this->statement('2026-10-30', [
            ['Tiendas Romeral', 'I3', 30_000],
            ['Almadraba Foods', 'group payment', 70_000],
            ['Caja', 'interest Q3', 1_400],
            ['Almadraba Foods', 'order 7', 50_000],
        ]);
    }

    /** @param  list<array{string, string, int}>  $lines payer, text, minor units */
    private function statement(string $day, array $lines, int $opening = 100_000): void
    {
        $entries = '';
        foreach ($lines as $place => [$payer, $text, $amount]) {
            $side = $amount < 0 ? 'DBIT' : 'CRDT';
            $entries .=
                '<Ntry><Amt Ccy="EUR">'.
                number_format(abs($amount) / 100, 2, '.', '').
                "</Amt><CdtDbtInd>{$side}</CdtDbtInd>".
                ($amount < 0 ? '<RvslInd>true</RvslInd>' : '').
                "<Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>{$day}</Dt></BookgDt><ValDt><Dt>{$day}</Dt></ValDt>".
                "<AcctSvcrRef>S{$day}-{$place}</AcctSvcrRef><NtryDtls><TxDtls><RltdPties><Dbtr><Nm>{$payer}</Nm></Dbtr></RltdPties>".
                "<RmtInf><Ustrd>{$text}</Ustrd></RmtInf></TxDtls></NtryDtls></Ntry>";
        }
        $balance = static fn (
            string $code,
            int $amount,
        ): string => "<Bal><Tp><CdOrPrtry><Cd>{$code}</Cd></CdOrPrtry></Tp><Amt Ccy=\"EUR\">".
            number_format($amount / 100, 2, '.', '').
            "</Amt><CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>{$day}</Dt></Dt></Bal>";
        $xml =
            "<Document xmlns=\"urn:iso:std:iso:20022:tech:xsd:camt.053.001.08\"><BkToCstmrStmt><Stmt><Id>{$day}</Id><Acct><Id><Othr>".
            '<Id>MILL-1</Id></Othr></Id><Ccy>EUR</Ccy></Acct>'.
            $balance('OPBD', $opening).
            $balance('CLBD', $opening + array_sum(array_column($lines, 2))).
            $entries.
            '</Stmt></BkToCstmrStmt></Document>';
        self::assertSame([], $this->import(["statement-{$day}.xml" => $xml])->refused);
    }

    /** @return array<string, LineGuess> by what the payer wrote */
    private function guesses(string $asOf = '2026-10-31'): array
    {
        return array_column(
            array_map(
                static fn (LineGuess $guess): array => [$guess->line->payer->remittance, $guess],
                app(ReceiptWorklist::class)->guesses($this->control(), $asOf),
            ),
            1,
            0,
        );
    }

    private function lineId(string $text): int
    {
        return (int) DB::table('money_lines')->where('remittance', $text)->orderByDesc('id')->value('id');
    }

    private function place(string $text, string $customer, ReceiptRequest $like): void
    {
        app(PlaceReceipt::class)->post(
            "place-{$text}",
            new ReceiptRequest(
                $this->lineId($text),
                $this->customerId($customer),
                $like->takes,
                rest: $like->rest,
                worth: $like->worth,
                depositTax: $like->depositTax,
            ),
            $this->control(),
        );
    }

    /** @param  array<int, string>  $typed */
    private function settle(string $key, string $customer, array $typed): void
    {
        app(SettleItems::class)->post($key, new MatchRequest($this->customerId($customer), $this->takes($typed)), $this->control());
    }

    /** A statement of 9 October brings the receipt that the accounting system posted on the 7th: it is confirmed, not posted twice. */
    public function test_a_line_confirms_what_is_posted_already(): void
    {
        $this->statement('2026-10-31', [], 251_400);
        $this->import(['late.csv' => '']); // nothing of it
        $lines = DB::table('money_lines')->count();
        $xmlDay = '2026-11-02';
        $this->statement($xmlDay, [['Tiendas Romeral', 'our I3', 30_000]], 251_400);
        self::assertSame($lines + 1, DB::table('money_lines')->count());
        // The 30th is more than five days after the 7th, so that nothing is offered for that line.
        self::assertNull($this->guesses()['I3']->confirmation);
        DB::table('settings')->insert(['name' => 'pairing_window_days', 'value' => '30', 'recorded_at' => 'now']);
        app(Settings::class)->forget();
        $guess = $this->guesses()['I3'];
        self::assertTrue($guess->isCertain());
        self::assertSame('posted already', $guess->kind());
        $posting = (int) $guess->confirmation?->postingId;
        app(PlaceElsewhere::class)->confirm('c', $guess->line->id, $posting);
        self::assertSame(0, DB::table('vouchers')->count());
        $this->refused(
            'confirms this posting already',
            fn () => app(PlaceElsewhere::class)->confirm('c2', $this->lineId('our I3'), $posting),
        );
        app(PlaceElsewhere::class)->takeBack('t', (int) DB::table('placements')->value('id'), 'another one');
        self::assertTrue($this->guesses()['I3']->isCertain());
        $this->level();
    }

    public function test_a_line_is_divided_over_customers_and_goes_to_accounts(): void
    {
        $place = app(PlaceElsewhere::class);
        $line = $this->lineId('group payment');
        $this->refused(
            '100.00 EUR of 700.00 is still to be placed',
            fn () => app(DivideReceipt::class)->post('d', $line, [
                [$this->customerId('C1'), self::money('400.00')],
                [$this->customerId('C2'), self::money('200.00')],
            ]),
        );
        app(DivideReceipt::class)->post('d', $line, [
            [$this->customerId('C1'), self::money('400,00')],
            [$this->customerId('C2'), self::money('200.00')],
            [0, self::money('100')],
        ]);
        $parts = DB::table('money_lines')->whereNotNull('divided_by')->orderBy('id')->pluck('id')->all();
        app(PlaceReceipt::class)->post(
            'p1',
            new ReceiptRequest((int) $parts[0], $this->customerId('C1'), [$this->itemId('I1') => null]),
            $this->control(),
        );
        self::assertSame(['1500 40000', '1100 -40000'], $this->voucher());
        $placement = (int) DB::table('placements')->where('kind', 'divided')->value('id');
        $this->refused('A part of 400.00 is placed', fn () => $place->takeBack('t', $placement, 'wrong'));
        $place->onAccounts('a', (int) $parts[2], [$this->share('7600', '40.00'), $this->share('6100')], 'group bonus');
        self::assertSame(['1500 10000', '7600 -4000', '6100 -6000'], $this->voucher());
        $this->refused('carries customers', fn () => $place->onAccounts('b', $this->lineId('interest Q3'), [$this->share('1100')], 'x'));
        $this->refused(
            'is still to be placed',
            fn () => $place->onAccounts('b', $this->lineId('interest Q3'), [$this->share('7600', '13.99')], 'x'),
        );
        self::assertSame(
            ['7600 -1400'],
            array_slice(
                (function () use ($place): array {
                    $place->onAccounts('b', $this->lineId('interest Q3'), [$this->share('7600')], 'interest July to September');

                    return $this->voucher();
                })(),
                1,
            ),
        );
        $this->level();
        // Going back: the voucher is mirrored and the line is free.
        $place->takeBack('t2', (int) DB::table('placements')->where('kind', 'accounts')->orderByDesc('id')->value('id'), 'it was a rebate');
        self::assertArrayHasKey('interest Q3', $this->guesses());
        $this->level();
    }

    public function test_a_rule_puts_lines_out_of_the_way_also_those_that_come(): void
    {
        app(SetAsideRules::class)->keep('a', 'interest', 'interest');
        $this->statement('2026-10-31', [['Caja', 'INTEREST on call money', 500]], 251_400);
        self::assertArrayNotHasKey('INTEREST on call money', $this->guesses());
        $this->refused('four characters', fn () => app(SetAsideRules::class)->keep('b', 'or', 'x'));
        self::assertArrayHasKey('order 7', $this->guesses());
    }

    public function test_a_rule_never_takes_what_a_person_decided(): void
    {
        app(SetAsideRules::class)->keep('a', 'interest', 'interest');
        $place = app(PlaceElsewhere::class);
        $place->takeBack('t', (int) DB::table('placements')->orderByDesc('id')->value('id'), 'it is a customer after all');
        self::assertArrayHasKey('interest Q3', $this->guesses());
        app(SetAsideRules::class)->keep('b', 'interest Q3', 'interest');
        $this->statement('2026-10-31', [['Caja', 'INTEREST on call money', 500]], 251_400);
        self::assertArrayHasKey('interest Q3', $this->guesses());
        self::assertArrayNotHasKey('INTEREST on call money', $this->guesses());
    }

    /** 1,210.00 = 1,000.00 + 210.00 (R2); after the match the deposits account carries nothing of the customer. */
    public function test_a_deposit_with_tax_is_held_and_matched_to_the_invoice(): void
    {
        $this->statement('2026-10-31', [['Almadraba Foods', 'deposit order 9', 121_000]], 251_400);
        $this->place('deposit order 9', 'C1', new ReceiptRequest(0, 0, rest: RestPlace::Deposit, depositTax: '21'));
        self::assertSame(['1500 121000', '2170 -100000', '2300 -21000'], $this->voucher());
        $this->level();
        $deposit = $this->itemId('S2026-10-31-0', 'deposit');
        $this->settle('m1', 'C1', [$deposit => '484.00', $this->itemId('I2') => '']);
        self::assertSame(['2170 40000', '2300 8400', '1100 -48400'], $this->voucher());
        $this->settle('m2', 'C1', [$deposit => '', $this->itemId('I2') => '']);
        self::assertSame(['2170 60000', '2300 12600', '1100 -72600'], $this->voucher());
        self::assertSame('0.00', $this->report('aged', ['--account' => '2170'])['totals']['total']);
        self::assertSame('400.00', array_column($this->report('aged')['customers'], 'total', 'customer')['C1']);
        $this->level();
        $this->refused(
            'of the debits is still to be placed',
            fn () => $this->settle('m3', 'C1', [$deposit => '', $this->itemId('I1') => '']),
        );
    }

    public function test_more_than_owed_is_split_into_receipt_and_deposit(): void
    {
        $this->place('group payment', 'C1', new ReceiptRequest(0, 0, [$this->itemId('I1') => null], rest: RestPlace::Deposit));
        self::assertSame(['1500 70000', '1100 -40000', '2170 -30000'], $this->voucher());
        self::assertSame('-300.00', $this->report('aged', ['--account' => '2170'])['totals']['total']);
        $this->level();
        app(ReverseReceipt::class)->mistaken('x', $this->itemId('S2026-10-30-1', 'receipt'), '2026-10-31', 'another customer');
        self::assertArrayHasKey('group payment', $this->guesses());
        self::assertSame(
            ['0.00', '1610.00'],
            [
                $this->report('aged', ['--account' => '2170'])['totals']['total'],
                array_column($this->report('aged')['customers'], 'total', 'customer')['C1'],
            ],
        );
        $this->level();
    }

    /** EUR on the bank account pays an invoice in USD: what the bank credited is the base, the difference is realised (R3, R9). */
    public function test_a_receipt_in_another_currency_than_the_invoice(): void
    {
        $this->place(
            'order 7',
            'C3',
            new ReceiptRequest(0, 0, [$this->itemId('U1') => self::money('560', 'USD')], worth: self::money('560.00', 'USD')),
        );
        // 560.00 of 1,000.00 carried 504.00; the bank credited 500.00: a loss of 4.00.
        self::assertSame(['1500 50000', '1100 -50000'], $this->voucher((int) DB::table('vouchers')->max('id') - 1));
        self::assertSame(['1100 -400', '6800 400'], $this->voucher());
        self::assertSame(
            ['56000', '44000'],
            [
                (string) DB::table('matches')->where('amount', 56000)->value('amount'),
                (string) DB::table('item_positions')
                    ->where('item_id', $this->itemId('U1'))
                    ->selectRaw('amount - matched AS open')
                    ->value('open'),
            ],
        );
        $this->level();
    }

    public function test_a_batch_is_posted_when_nothing_remains_as_one_sum_and_is_confirmed_later(): void
    {
        $keep = app(KeepBatch::class);
        $batch = $keep->open('o', 'SLIP-44', PaymentWay::Cheque, null, '2026-10-29', self::money('1610,00'), BatchPosting::AsOne);
        $keep->type('t1', $batch, $this->typed(PaymentWay::Cheque, 'C1', '400.00', '000123', 'I1'));
        $this->refused(
            '1,210.00 EUR of the declared 1,610.00 '.'remains',
            fn () => app(PostBatch::class)->post('p', $batch, $this->control()),
        );
        $second = $keep->type('t2', $batch, $this->typed(PaymentWay::Cheque, 'C1', '1,210.00', '000124', ''));
        $keep->type('t2', $batch, $this->typed(PaymentWay::Cheque, 'C1', '1,210.00', '000124', '')); // a double click
        self::assertTrue(app(Batches::class)->find($batch)->remaining()->isZero());
        self::assertCount(4, $this->guesses(), 'lines of a batch wait for the batch');
        app(PostBatch::class)->post('p', $batch, $this->control());
        app(PostBatch::class)->post('p', $batch, $this->control());
        self::assertSame(['1520 161000', '1100 -40000', '1100 -121000'], $this->voucher());
        $placed = app(Batches::class)->placed(app(Batches::class)->find($batch));
        $number = DB::table('vouchers')->value('number');
        self::assertSame([["{$number} I1"], ["{$number} I2"]], array_map(
            static fn ($of): array => ["{$of->voucher} ".implode(' ', $of->settled)],
            array_values($placed),
        ));
        self::assertSame(1, DB::table('vouchers')->count());
        self::assertSame([0, 0], [$this->openOf('I1'), $this->openOf('I2')]);
        $this->refused('is posted', fn () => $keep->type('t3', $batch, $this->typed(PaymentWay::Cheque, 'C1', '1.00', '', '')));
        $this->refused('that is not posted', fn () => $keep->remove('r', $second));
        $this->level();

        // The bank credits the slip two days later: transit clears, nothing is posted twice.
        $this->statement('2026-10-31', [['', 'cheques SLIP-44', 161_000]], 251_400);
        $guess = $this->guesses()['cheques SLIP-44'];
        self::assertSame([true, 'named by the statement'], [$guess->isCertain(), $guess->confirmation?->why]);
        app(PlaceElsewhere::class)->confirm('c', $guess->line->id, (int) $guess->confirmation?->postingId);
        self::assertSame(['1500 161000', '1520 -161000'], $this->voucher());
        $this->level();

        // One of the cheques bounces: only its receipt comes back.
        app(ReverseReceipt::class)->byHand(
            'b',
            $this->itemId('000124', 'receipt'),
            '2026-10-31',
            self::money('7,50'),
            FeeBearer::Customer,
            'not covered',
        );
        self::assertSame([0, 121_000], [$this->openOf('I1'), $this->openOf('I2')]);
        self::assertSame(
            ['1217.50', '2026-11-01'],
            [
                array_column($this->report('aged')['customers'], 'total', 'customer')['C1'],
                DB::table('items')->where('document', 'I2')->value('due_date'),
            ],
        );
        $this->level();
    }

    public function test_a_batch_one_of_whose_receipts_cannot_be_posted_posts_nothing(): void
    {
        $keep = app(KeepBatch::class);
        $batch = $keep->open('o', '', PaymentWay::Cash, null, '2026-10-29', self::money('800.00'), BatchPosting::OneByOne);
        foreach (['t1', 't2'] as $key) {
            $keep->type($key, $batch, $this->typed(PaymentWay::Cash, 'C1', '400.00', $key, 'I1'));
        }
        $this->refused('Nothing is posted. Almadraba Foods, 400.00', fn () => app(PostBatch::class)->post('p', $batch, $this->control()));
        self::assertSame(
            [0, 0, 0],
            [DB::table('vouchers')->count(), DB::table('placements')->count(), DB::table('batch_postings')->count()],
        );
        $this->level();
    }

    private function typed(PaymentWay $way, string $customer, string $amount, string $reference, string $pays): TypedReceipt
    {
        return new TypedReceipt($way, null, '', $this->customerId($customer), self::money($amount), $reference, $pays);
    }

    private function share(string $account, string $amount = ''): AccountShare
    {
        return new AccountShare(app(Settings::class)->accounts()->numbered($account), $amount === '' ? null : self::money($amount));
    }

    /** From the statement: the receipt and its match are reversed, the invoice keeps its age, the fee is a charge. */
    public function test_a_returned_receipt_from_the_statement(): void
    {
        $this->statement('2026-10-31', [['Tiendas Romeral', 'returned R1', -30_450]], 251_400);
        $this->actingAs($this->person());
        $line = $this->lineId('returned R1');
        $this->get("/receipts?line={$line}")
            ->assertOk()
            ->assertSee('Which receipt came back?')
            ->assertSee('named by the bank')
            ->assertSee('value="4.50"', false);
        $receipt = $this->itemId('R1');
        $this->post("/documents/{$receipt}/returned", [
            'key' => 'a',
            'line' => $line,
            'fee' => '4.00',
            'reason' => 'recalled',
        ])->assertSessionHas('refusal');
        $this->post("/documents/{$receipt}/returned", [
            'key' => 'a',
            'line' => $line,
            'fee' => '4.50',
            'reason' => 'recalled',
        ])->assertSessionHas('done');
        $this->post("/documents/{$receipt}/returned", [
            'key' => 'b',
            'line' => $line,
            'fee' => '4.50',
            'reason' => 'recalled',
        ])->assertSessionHas('refusal');
        self::assertSame(['1100 30000', '1500 -30000'], $this->voucher((int) DB::table('vouchers')->max('id') - 1));
        self::assertSame(['6100 450', '1500 -450'], $this->voucher());
        self::assertSame(30_000, $this->openOf('I3'));
        self::assertSame('300.00', array_column($this->report('aged')['customers'], 'total', 'customer')['C2']);
        $this->get("/documents/{$receipt}")->assertSee('Came back with');
        $this->level();
    }

    public function test_a_typed_receipt_by_itself_and_its_document(): void
    {
        $this->actingAs($this->person());
        $this->post('/batches/type', [
            'key' => 'k',
            'who' => 'C1',
            'amount' => '400.00',
            'way' => 'cash',
            'date' => '2026-10-30',
            'reference' => 'till 9',
            'pays' => 'I1',
        ])->assertRedirect();
        $line = $this->lineId('I1');
        $this->get("/receipts?line={$line}")
            ->assertSee('as typed')
            ->assertSee('quoted');
        $this->post("/receipts/{$line}", [
            'key' => 'p',
            'customer' => $this->customerId('C1'),
            'tick' => [$this->itemId('I1') => '1'],
            'rest' => 'unapplied',
        ])->assertSessionHas('done');
        self::assertSame(['1510 40000', '1100 -40000'], $this->voucher());
        $receipt = $this->itemId('till 9', 'receipt');
        $pdf = $this->get("/receipts/{$receipt}.pdf")
            ->assertOk()
            ->getContent();
        self::assertStringStartsWith('%PDF-', (string) $pdf);
        $this->post("/documents/{$receipt}/send", ['key' => 's'])->assertSessionHas('done');
        $mail = (string) file_get_contents(Outbox::folder().'/'.DB::table('outbox')->value('file'));
        self::assertStringContainsString('To: c1@example.invalid', $mail);
        self::assertStringContainsString('application/pdf', $mail);
        $this->refused('has no e-mail address', fn () => app(SendReceipt::class)->post('s2', $this->itemId('R1'), '2026-10-31'));
        $this->level();
    }

    /** By bank reference, what the payer wrote, or amount; a line leads to its document once it is placed. */
    public function test_money_is_found_before_and_after_it_is_placed(): void
    {
        $this->actingAs($this->person());
        $line = $this->lineId('order 7');
        $this->get('/search?q=S2026-10-30-3')->assertRedirect(route('receipts', ['line' => $line]));
        $this->get('/search?q=order+7')->assertRedirect(route('receipts', ['line' => $line]));
        $this->get('/search?q=500.00')->assertOk()->assertSee('Money')->assertSee('S2026-10-30-3');
        $this->get('/search?q=ALMADRÁBA')->assertRedirect(route('customer', $this->customerId('C1')));
        DB::table('customers')->where('customer', 'C2')->update(['name' => 'Panadería Peñón']);
        $this->get('/search?q=panaderia+penon')->assertRedirect(route('customer', $this->customerId('C2')));
        $this->get('/customers/options?who=penon')->assertOk()->assertSee('Peñón');
        DB::table('customers')->where('customer', 'C2')->update(['customer' => 'C2-4471']);
        $this->get('/receipts/payers?payer=447')->assertOk()->assertSee('by')->assertSee('part of the number');
        foreach (['447' => 'No customer has', 'C2-4471' => ''] as $asked => $refusal) {
            try {
                self::assertSame('C2-4471', app(CustomerSearch::class)->one((string) $asked)->customer);
            } catch (Refusal $refused) {
                self::assertStringContainsString($refusal === '' ? 'never' : $refusal, $refused->getMessage());
            }
        }
        DB::table('customers')->where('customer', 'C2-4471')->update(['customer' => 'C2']);
        $this->get('/search?q=Almadraba')->assertRedirect(route('customer', $this->customerId('C1')));
        $this->get('/search?q=caja')->assertRedirect(route('receipts', ['line' => $this->lineId('interest Q3')]));
        $this->place('order 7', 'C1', new ReceiptRequest(0, 0, rest: RestPlace::Unapplied));
        foreach (['S2026-10-30-3', '2026-10-30-3', '0-30-3'] as $part) {
            $this->get("/search?q={$part}")->assertRedirect(route('document', $this->itemId('S2026-10-30-3')));
        }
    }

    /** Refund and credit close each other; ordered by pain.001, answered by pain.002, cleared by the statement. */
    public function test_a_refund_goes_out_and_clears_what_is_in_transit(): void
    {
        $this->import(['accounts.csv' => "account,name,type,role\n1530,Payments in transit,asset,payments_in_transit\n"]);
        $this->place('order 7', 'C1', new ReceiptRequest(0, 0, rest: RestPlace::Unapplied));
        $credit = $this->itemId('S2026-10-30-3', 'receipt');
        $this->actingAs($this->person());
        $form = ['way' => 'transfer', 'date' => '2026-10-31', 'reason' => 'order cancelled', 'amount' => '200.00'];
        $this->post("/documents/{$credit}/refund", [...$form, 'key' => 'a'])->assertSessionHas(
            'refusal',
            static fn (string $says): bool => str_contains($says, 'has no account number'),
        );
        DB::transaction(fn () => DB::table('customers')
            ->where('customer', 'C1')
            ->update(['iban' => 'DE89 3704 0044 0532 0130 01']));
        $this->post("/documents/{$credit}/refund", [...$form, 'key' => 'a'])->assertSessionHas(
            'refusal',
            static fn (string $says): bool => str_contains($says, 'does not hold'),
        );
        DB::transaction(fn () => DB::table('customers')
            ->where('customer', 'C1')
            ->update(['iban' => 'DE89 3704 0044 0532 0130 00']));
        $this->post("/documents/{$credit}/refund", [...$form, 'key' => 'a', 'amount' => '500.01'])->assertSessionHas('refusal');
        foreach ([1, 2] as $click) {
            $this->post("/documents/{$credit}/refund", [...$form, 'key' => 'a'])->assertSessionHas('done');
        }
        self::assertSame(['1100 20000', '1530 -20000'], $this->voucher());
        self::assertSame('1310.00', array_column($this->report('aged')['customers'], 'total', 'customer')['C1']);
        $this->level();

        $this->get('/refunds')->assertOk()->assertSee('waits for the reviewer');
        $this->approveTransfers();
        $this->get('/refunds')->assertOk()->assertSee('Order 1 transfer');
        $this->post('/refunds/order', ['key' => 'o'])->assertSessionHas('done');
        $this->post('/refunds/order', ['key' => 'p'])->assertSessionHas('refusal');
        $order = (string) $this->get('/payment-orders/1/order.xml')->assertOk()->getContent();
        self::assertStringContainsString('<InstdAmt Ccy="EUR">200.00</InstdAmt>', $order);
        self::assertSame(
            ['RF-00001' => [true, '']],
            OrderAnswer::read((string) $this->get('/payment-orders/1/answer.xml')->getContent()),
        );
        self::assertStringStartsWith('%PDF-', (string) $this->get('/refunds/'.$this->itemId('RF-00001').'.pdf')->getContent());

        $this->post('/bank/next')->assertSessionHas('done');
        $guess = array_values(
            array_filter(
                app(ReceiptWorklist::class)->guesses($this->control(), '2026-11-02'),
                static fn (LineGuess $guess): bool => $guess->line->origin->endToEnd === 'RF-00001',
            ),
        )[0];
        self::assertSame([true, -20_000], [$guess->isCertain(), $guess->line->amount->minor]);
        app(PlaceElsewhere::class)->confirm('c', $guess->line->id, (int) $guess->confirmation?->postingId);
        self::assertSame(['1500 -20000', '1530 20000'], $this->voucher());
        $this->get('/refunds')->assertSee('the statement confirms it');
        $this->post('/documents/'.$this->itemId('RF-00001').'/take-back', [
            'key' => 't',
            'date' => '2026-11-03',
            'reason' => 'x',
        ])->assertSessionHas('refusal');

        // Another one by cheque, taken back before it was paid: the credit is unapplied again.
        $this->post("/documents/{$credit}/refund", [...$form, 'key' => 'b', 'way' => 'cheque', 'amount' => ''])->assertSessionHas('done');
        self::assertSame(0, $this->openOf('S2026-10-30-3'));
        $this->post('/documents/'.$this->itemId('RF-00002').'/take-back', [
            'key' => 'u',
            'date' => '2026-10-31',
            'reason' => 'lost',
        ])->assertSessionHas('done');
        self::assertSame(30_000, $this->openOf('S2026-10-30-3'));
        $this->level();
    }

    /**
     * Revenue account and tax follow the line, never more than the line's rest; the invoice is settled with it; taken back, everything
     * stands again.
     */
    public function test_a_credit_note_over_lines_of_an_invoice(): void
    {
        $this->import([
            'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\nI2,1,Oil,10,50.00,500.00,21,4000\n".
                "I2,2,Freight,1,500.00,500.00,21,7600\n",
        ]);
        $this->actingAs($this->person());
        $invoice = $this->itemId('I2');
        $this->get("/documents/{$invoice}")
            ->assertOk()
            ->assertSee('Credit some of it');
        $page = '/customers/'.$this->customerId('C1').'/credit-note';
        $this->get("{$page}?ids[]={$invoice}")
            ->assertOk()
            ->assertSee('10 × 50.00')
            ->assertSee('Lines of its own');
        $form = ['date' => '2026-10-31', 'reason' => 'two cans were broken', 'match' => '1'];
        foreach (
            [
                ['net' => ['1' => '']],
                ['net' => ['1' => '500.01']],
                ['net' => ['1' => '-5']],
                ['quantity' => ['1' => '11']],
                ['quantity' => ['1' => 'two']],
                ['price' => ['1' => '50.01']],
                ['price' => ['1' => '49'], 'net' => ['1' => '10']],
            ] as $typed
        ) {
            $typed = array_map(static fn (array $lines): array => [$invoice => $lines], $typed);
            $this->post($page, [...$form, 'key' => 'a', ...$typed])->assertSessionHas('refusal');
            $this->post("{$page}/rehearse", [...$form, ...$typed])
                ->assertOk()
                ->assertSee('role="alert"', false);
        }
        $this->post($page, [...$form, 'key' => 'a', 'reason' => '', 'net' => [$invoice => ['1' => '5.00']]])->assertSessionHas('refusal');
        // Two of ten cans at 50.00, and the freight for 450.00 instead of 500.00.
        $typed = ['quantity' => [$invoice => ['1' => '2']], 'price' => [$invoice => ['2' => '450,00']]];
        $this->post("{$page}/rehearse", [...$form, ...$typed])
            ->assertOk()
            ->assertSee('181.50');
        foreach ([1, 2] as $click) {
            $this->post($page, [...$form, 'key' => 'a', ...$typed])->assertSessionHas('done');
        }
        self::assertSame(['4000 10000', '7600 5000', '2300 3150', '1100 -18150'], $this->voucher());
        self::assertSame(121_000 - 18_150, $this->openOf('I2'));
        $this->level();
        $this->post($page, [...$form, 'key' => 'b', 'net' => [$invoice => ['1' => '400.01']]])->assertSessionHas('refusal');
        $this->post($page, [
            'date' => '2026-10-31',
            'reason' => 'kept unapplied',
            'key' => 'b',
            'net' => [$invoice => ['1' => '400.00']],
        ])->assertSessionHas('done');
        self::assertSame(48_400, $this->openOf('CN-00002'));
        $note = $this->itemId('CN-00001');
        self::assertStringStartsWith(
            '%PDF-',
            (string) $this->get("/credit-notes/{$note}.pdf")
                ->assertOk()
                ->getContent(),
        );
        $this->post("/documents/{$note}/take-back", ['key' => 't', 'date' => '2026-10-31', 'reason' => 'not broken'])->assertSessionHas(
            'done',
        );
        $this->post("/documents/{$note}/take-back", ['key' => 'u', 'date' => '2026-10-31', 'reason' => 'again'])->assertSessionHas(
            'refusal',
        );
        self::assertSame(
            [121_000, '1610.00'],
            [
                $this->openOf('I2'),
                (string) ((float) array_column($this->report('aged')['customers'], 'total', 'customer')['C1'] + 484).'.00',
            ],
        );
        $this->level();
    }

    public function test_over_several_invoices_with_a_line_of_its_own_and_a_free_standing_one(): void
    {
        $this->import([
            'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\nI1,1,Oil,1,100.00,100.00,21,4000\n".
                "I2,1,Oil,10,50.00,500.00,21,4000\n",
        ]);
        $this->actingAs($this->person());
        $page = '/customers/'.$this->customerId('C1').'/credit-note';
        [$one, $two] = [$this->itemId('I1'), $this->itemId('I2')];
        $other = $this->itemId('I3');
        $form = [
            'date' => '2026-10-31',
            'reason' => 'late delivery',
            'match' => '1',
            'free_text' => ['Bonus of the year'],
            'free_account' => ['7600'],
            'free_rate' => ['10'],
            'free_net' => ['20.00'],
            'free_dimension' => ['KST 7'],
        ];
        $this->get("{$page}?ids[]={$one}&ids[]={$two}")
            ->assertOk()
            ->assertSee('settle the invoices');
        $this->post($page, [...$form, 'key' => 'x', 'net' => [$other => ['1' => '1.00']]])->assertSessionHas('refusal');
        $this->post($page, [...$form, 'key' => 'a', 'net' => [$one => ['1' => '10.00'], $two => ['1' => '30.00']]])->assertSessionHas(
            'done',
        );
        self::assertSame(['4000 1000', '4000 3000', '7600 2000', '2300 1040', '1100 -7040'], $this->voucher());
        self::assertSame('KST 7', DB::table('postings')->where('description', 'Bonus of the year')->value('reference'));
        self::assertSame(2_200, $this->openOf('CN-00001'), 'what stands on no invoice stays unapplied');
        self::assertStringStartsWith(
            '%PDF-',
            (string) $this->get('/credit-notes/'.$this->itemId('CN-00001').'.pdf')
                ->assertOk()
                ->getContent(),
        );
        $this->post($page, [...$form, 'key' => 'b', 'currency' => 'EUR'])->assertSessionHas('done');
        self::assertSame(['7600 2000', '2300 200', '1100 -2200'], $this->voucher());
        $this->post($page, [...$form, 'key' => 'c', 'free_account' => ['1100']])->assertSessionHas('refusal');
        $this->post($page, [...$form, 'key' => 'c', 'free_rate' => ['much']])->assertSessionHas('refusal');
        $this->level();
    }

    public function test_what_is_left_of_an_invoice_is_cleared_in_one_step(): void
    {
        $this->import([
            'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\nI2,1,Oil,10,50.00,500.00,21,4000\n".
                "I2,2,Flour,10,50.00,500.00,21,7600\n",
        ]);
        $this->actingAs($this->person());
        $invoice = $this->itemId('I2');
        $note = app(IssueCreditNote::class)->post(
            'a',
            new CreditNoteRequest(
                $this->customerId('C1'),
                [$invoice],
                [$this->creditedLine($invoice, '1', 49_700), $this->creditedLine($invoice, '2', 50_000)],
                Currency::of('EUR'),
                '2026-10-31',
                'x',
                CreditNoteUse::Settles,
            ),
        )->result;
        self::assertSame(363, $this->openOf('I2'));
        $this->get("/documents/{$invoice}")->assertSee('Clear 3.63');
        foreach ([1, 2] as $click) {
            $this->post("/documents/{$invoice}/clear-rest", [
                'key' => 'b',
                'date' => '2026-10-31',
                'reason' => 'rounding',
            ])->assertSessionHas('done');
        }
        self::assertSame(['4000 300', '2300 63', '1100 -363'], $this->voucher());
        self::assertSame(0, $this->openOf('I2'));
        $this->post("/documents/{$invoice}/clear-rest", ['key' => 'c', 'date' => '2026-10-31', 'reason' => 'again'])->assertSessionHas(
            'refusal',
        );
        app(ReverseDocument::class)->post('t', $note, '2026-10-31', 'not credited');
        self::assertSame(120_637, $this->openOf('I2'));
        $this->level();
    }

    /**
     * A bank's own list goes on from the statements of the only account: newest first, other headings, decimal commas; the next one
     * overlaps.
     */
    public function test_a_bank_list_is_read_through_a_mapping_and_overlaps(): void
    {
        $head = "Cuenta corriente;;;;\nFecha;Fecha valor;Concepto;Importe;Saldo\n";
        $first =
            $head.
            '14/11/2026;14/11/2026;TIENDAS ROMERAL '.
            "I3;300,00;2.859,10\n13/11/2026;13/11/2026;Comisión;-4,90;2.559,10\n13/11/2026;14/11/2026;CAFÉ;50,00;2.564,00\n";
        $report = $this->import(['movimientos bancarios.csv' => $first]);
        self::assertSame([], $report->refused);
        self::assertSame(
            [[5000, '2026-11-13'], [-490, '2026-11-13'], [30000, '2026-11-14']],
            DB::table('money_lines')
                ->where('booking_date', '>', '2026-11-01')
                ->orderBy('id')
                ->get()
                ->map(static fn (object $line): array => [$line->amount, $line->booking_date])
                ->all(),
        );
        self::assertTrue($this->import(['x.csv' => $first])->changesNothing());
        $next = $head."16/11/2026;16/11/2026;CAFÉ;50,00;2.909,10\n14/11/2026;14/11/2026;TIENDAS ROMERAL I3;300,00;2.859,10\n";
        self::assertSame([], $this->import(['x.csv' => $next])->refused);
        self::assertSame(4, DB::table('money_lines')->where('booking_date', '>', '2026-11-01')->count());
        $gap = $this->import(['x.csv' => $head."18/11/2026;18/11/2026;CAFÉ;50,00;3.009,10\n"]);
        self::assertStringContainsString('opens at 2,959.10, but the one before closed at 2,909.10', $gap->refused[0]->expected);
        $wrong = $this->import(['x.csv' => $head."18/11/2026;18/11/2026;A;50,00;2.959,10\n19/11/2026;19/11/2026;B;10,00;2.970,10\n"]);
        self::assertStringContainsString('balance 2,959.10, entry 10.00, next balance 2,970.10', $wrong->refused[0]->expected);
        self::assertStringContainsString(
            'is expected',
            $this->import(['bank.csv' => "date,text,money_in,money_out\n2026-11-20,x,5.00,5.00\n"])->refused[0]->expected,
        );
        $this->level();
    }

    public function test_the_pages_open_and_bad_input_is_answered_in_words(): void
    {
        $this->actingAs($this->person());
        $batch = app(KeepBatch::class)->open(
            'o',
            'S1',
            PaymentWay::Transfer,
            null,
            '2026-10-29',
            self::money('10'),
            BatchPosting::OneByOne,
        );
        foreach (
            [
                '/batches',
                "/batches?batch={$batch}",
                '/deposits',
                '/settings',
                '/outbox',
                '/receipts/placed',
                "/batches/{$batch}/register.pdf",
                '/customers/options?who=alma',
            ] as $page
        ) {
            $this->get($page)->assertOk();
        }
        $this->get('/receipts?payer=Nobody+at+all')->assertOk()->assertSee('No customer has the number');
        $this->get('/receipts?payer=I3')->assertOk()->assertSee('Tiendas Romeral')->assertSee('You named I3, which is not open.');
        $this->get('/receipts?payer=I2')->assertOk()->assertSee('You named I2; it is ticked.');
        foreach (
            [
                ['/batches', ['key' => 'a', 'way' => 'gold', 'declared' => '1', 'date' => '2026-10-01']],
                ['/batches', ['key' => 'a', 'way' => 'cash', 'declared' => '-1', 'date' => '2026-10-01']],
                ['/batches', ['key' => 'a', 'way' => 'cash', 'declared' => '5', 'date' => 'soon']],
                ['/batches', ['key' => 'a', 'way' => 'cash', 'declared' => '5', 'date' => '2026-10-01', 'account' => '4000']],
                ['/batches/type', ['key' => 'a', 'batch' => $batch, 'who' => 'zzz', 'amount' => '1']],
                ['/batches/type', ['key' => 'a', 'batch' => $batch, 'who' => 'C1', 'amount' => '0']],
                ['/settings/reasons', ['key' => 'a', 'code' => '', 'words' => '']],
                ['/settings/reasons', ['key' => 'a', 'code' => 'X', 'words' => 'x', 'account' => '1100']],
                ['/settings/reasons', ['key' => 'a', 'code' => 'X', 'words' => 'x', 'account' => '7600', 'rate' => 'much']],
                ["/deposits/{$this->itemId('I1')}", ['key' => 'a', 'invoice' => 5]],
                ['/receipts/999/accounts', ['key' => 'a']],
                ['/receipts/999/divide', ['key' => 'a', 'part' => ['1']]],
                ["/documents/{$this->itemId('I1')}/discount", ['key' => 'a', 'choice' => 'grant', 'reason' => '']],
            ] as [$page, $form]
        ) {
            $this->post($page, $form)->assertSessionHas('refusal');
        }
        $this->level();
    }

    public function test_interest_less_tax_withheld_has_a_debit_leg(): void
    {
        $this->actingAs($this->person());
        $line = $this->lineId('interest Q3');
        $this->get("/receipts?line={$line}")->assertOk()->assertSee('Side of account 2');
        $this->post("/receipts/{$line}/accounts", [
            'key' => 'a',
            'to' => ['7600', '2300'],
            'to_amount' => ['17.28', '3.28'],
            'to_side' => ['credit', 'debit'],
            'memo' => 'interest, tax withheld',
        ])->assertSessionHas('done');
        self::assertSame(['1500 1400', '7600 -1728', '2300 328'], $this->voucher());
        $this->level();
    }

    public function test_a_receipt_alike_asks_and_a_number_that_is_not_open_is_said(): void
    {
        $this->actingAs($this->person());
        $page = ['who' => 'C1', 'amount' => '400.00', 'way' => 'cheque', 'date' => '2026-10-29'];
        $page += ['reference' => '77', 'pays' => 'I1 + I999'];
        $typed = $this->post('/batches/type', [...$page, 'key' => 'a']);
        $typed->assertSessionHas('done', static fn (array $done): bool => str_contains($done['text'], 'is called I999.'));
        $this->post('/batches/type', [...$page, 'key' => 'b'])->assertSessionHas('refusal');
        $this->post('/batches/type', [...$page, 'key' => 'c', 'reference' => '78'])->assertSessionHas('done');
        $this->post('/batches/type', [...$page, 'key' => 'd', 'both' => '1'])->assertSessionHas('done');
        self::assertSame(3, DB::table('money_lines')->whereNotNull('way')->where('amount', 40_000)->count());
    }

    public function test_a_batch_is_of_an_open_day_which_can_be_changed(): void
    {
        $this->actingAs($this->person());
        app(LockPeriod::class)->post(Period::of('2026-09'));
        $batch = ['reference' => 'B', 'way' => 'cheque', 'declared' => '400.00', 'as' => 'one'];
        $this->post('/batches', [...$batch, 'date' => '2026-09-30', 'key' => 'a'])->assertSessionHas('refusal');
        self::assertSame(0, DB::table('batches')->count());
        $this->post('/batches', [...$batch, 'date' => '2026-10-29', 'key' => 'a'])->assertSessionMissing('refusal');
        $id = (int) DB::table('batches')->value('id');
        app(KeepBatch::class)->type('t', $id, $this->typed(PaymentWay::Cheque, 'C1', '400.00', '1', 'I1'));
        $change = ['declared' => '400.00', 'as' => 'one'];
        $this->post("/batches/{$id}/declare", [...$change, 'date' => '2026-09-30', 'key' => 'c'])->assertSessionHas('refusal');
        $this->post("/batches/{$id}/declare", [...$change, 'date' => '2028-10-30', 'key' => 'd'])->assertSessionHas('refusal');
        $this->post("/batches/{$id}/declare", [...$change, 'date' => '2026-10-30', 'key' => 'e'])->assertSessionMissing('refusal');
        self::assertSame(['2026-10-30'], DB::table('money_lines')->where('batch_id', $id)->pluck('value_date')->all());
    }
}
