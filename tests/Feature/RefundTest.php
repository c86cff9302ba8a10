<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Settlement\RestPlace;
use App\Actions\Receipts\PlaceElsewhere;
use App\Actions\Receipts\PlaceReceipt;
use App\Queries\LineGuess;
use App\Queries\ReceiptWorklist;
use App\Values\ReceiptRequest;
use Illuminate\Support\Facades\DB;

/** Refunds that do not go the plain way: before the credit, to new bank details, of a taxed deposit, and back again. */
final class RefundTest extends BooksTestCase
{
    /** Example numbers of the SWIFT IBAN registry. */
    private const IBANS = ['DE89370400440532013000', 'ES9121000418450200051332', 'FR1420041010050500013M02606'];

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS.
                "1510,Till,asset,till\n1530,Payments in transit,asset,payments_in_transit\n2300,Output tax,liability,output_tax\n",
            'customers.csv' => "customer,name,currency,iban\nC1,Almadraba Foods,EUR,".self::IBANS[0]."\nC2,Tiendas Romeral,EUR,\n",
            'items.csv' => self::items([
                'I1,invoice,C1,2026-09-12,2026-10-12,EUR,400.00,400.00,,,E1,',
                'K1,credit_note,C1,2026-10-20,2026-10-20,EUR,121.00,121.00,,,E2,',
            ]),
            'ledger.csv' => self::ledger(['E1,2026-09-12,1100,s,400.00,,I1,', 'E2,2026-10-20,1100,s,,121.00,K1,']),
        ]);
        $this->ownBank();
        $this->statement('2026-10-30', [['order 9', 121_000, '']], 0);
        $this->actingAs($this->person());
    }

    public function test_each_currency_is_ordered_from_the_account_that_is_named_for_it(): void
    {
        $this->import(['customers.csv' => "customer,name,currency,iban\nC3,Café Ñandú & Sons,GBP,GB29NWBK60161331926819\n"]);
        $this->import([
            'items.csv' => self::items(['K3,credit_note,C3,2026-10-20,2026-10-20,GBP,50.00,58.00,,,E3,']),
            'ledger.csv' => self::ledger(['E3,2026-10-20,1100,s,,58.00,K3,']),
        ]);
        $refund = fn (string $document): array => [
            'way' => 'transfer',
            'date' => '2026-10-31',
            'reason' => 'x',
            'amount' => '',
            'key' => "r{$document}",
        ];
        foreach (['K1', 'K3'] as $document) {
            $this->post("/documents/{$this->itemId($document)}/refund", $refund($document))->assertSessionHas('done');
        }
        $this->approveTransfers();
        $this->post('/refunds/order', ['key' => 'o'])->assertSessionHas(
            'refusal',
            static fn (string $says): bool => str_contains($says, 'in GBP. Name it as own_bank.GBP'),
        );
        self::assertSame(0, DB::table('payment_orders')->count(), 'nothing is half done');
        $this->import([
            'accounts.csv' => "account,name,type,role,currency,iban\n1511,Bank GBP,asset,bank,GBP,GB29NWBK60161331926819\n",
            'settings.csv' => "name,value\nown_bank.GBP,1511\n",
        ]);
        foreach ([1, 2] as $click) {
            $this->post('/refunds/order', ['key' => 'p'])->assertSessionHas(
                'done',
                static fn (array $of): bool => str_contains($of['text'], 'Payment orders 1 and 2 are'),
            );
        }
        $files = DB::table('payment_orders')->orderBy('id')->pluck('file')->all();
        self::assertStringContainsString('<DbtrAcct><Id><Othr><Id>MILL-1</Id>', $files[0]);
        self::assertStringContainsString('<CtrlSum>121.00</CtrlSum>', $files[0]);
        self::assertStringContainsString('<DbtrAcct><Id><IBAN>GB29NWBK60161331926819', $files[1]);
        self::assertStringContainsString('Ccy="GBP">50.00', $files[1]);
        self::assertStringContainsString('<Nm>Cafe Nandu Sons</Nm>', $files[1], "only SWIFT's characters leave");
        $wrong = $this->import(['settings.csv' => "name,value\nown_bank.XYZ,1511\n"]);
        self::assertStringContainsString('is expected', $wrong->refused[0]->expected);
    }

    public function test_paid_before_its_credit_it_stays_open_and_is_matched_later(): void
    {
        $customer = $this->customerId('C2');
        $form = [
            'amount' => '99,00',
            'currency' => 'EUR',
            'way' => 'cheque',
            'date' => '2026-10-31',
            'reason' => 'returned goods, credit note follows',
        ];
        $this->post("/customers/{$customer}/refund", [...$form, 'key' => 'a', 'way' => 'transfer'])->assertSessionHas(
            'refusal',
            static fn (string $says): bool => str_contains($says, 'has no account number'),
        );
        $this->post("/customers/{$customer}/refund", [...$form, 'key' => 'a', 'amount' => '0'])->assertSessionHas('refusal');
        foreach ([1, 2] as $click) {
            $this->post("/customers/{$customer}/refund", [...$form, 'key' => 'a'])->assertSessionHas('done');
        }
        self::assertSame(['1100 9900', '1530 -9900'], $this->voucher());
        // It waits in the unapplied list and ages as a debit.
        $this->get('/unapplied')->assertSee('Refunds of 99.00 wait for their credit')->assertSee('1 refund');
        self::assertSame('99.00', array_column($this->report('aged')['customers'], 'total', 'customer')['C2']);
        $this->post("/customers/{$customer}/credit-note", [
            'key' => 'n',
            'date' => '2026-10-31',
            'reason' => 'returned goods',
            'free_text' => ['Goods'],
            'free_account' => ['4000'],
            'free_rate' => [''],
            'free_net' => ['99.00'],
        ])->assertSessionHas('done');
        $this->get('/unapplied')->assertSee('can be matched');
        $credit = (int) DB::table('items')->where('kind', 'credit_note')->where('customer_id', $customer)->value('root_id');
        $this->post("/unapplied/{$customer}", [
            'key' => 'm',
            'tick' => [$credit => '1', $this->itemId('RF-00001') => '1'],
            'amount' => [],
        ])->assertSessionHas('done');
        self::assertNotContains('C2', array_column($this->report('aged')['customers'], 'customer'));
        $this->level();
    }

    public function test_new_bank_details_wait_for_the_reviewer(): void
    {
        $this->import(['customers.csv' => "customer,name,currency,iban\nC1,Almadraba Foods,EUR,".self::IBANS[1]."\n"]);
        $this->post('/documents/'.$this->itemId('K1').'/refund', [
            'key' => 'a',
            'amount' => '',
            'way' => 'transfer',
            'date' => '2026-10-31',
            'reason' => 'asked for',
        ])->assertSessionHas('done');
        $this->get('/refunds')->assertSee('waits for the reviewer')->assertDontSee('Order 1 transfer');
        $this->post('/refunds/order', ['key' => 'o'])->assertSessionHas('refusal');
        $this->post('/refunds/1/approve', ['key' => 'ok'])->assertSessionHas(
            'refusal',
            static fn (string $says): bool => str_contains($says, 'A reviewer approves this'),
        );
        $this->actingAs($this->person('reviewer'));
        $this->post('/refunds/1/approve', ['key' => 'ok'])->assertSessionHas('done');
        $this->post('/refunds/1/approve', ['key' => 'ok again'])->assertSessionHas('refusal');
        $this->get('/refunds')->assertSee('Order 1 transfer');
        $this->post('/refunds/order', ['key' => 'o'])->assertSessionHas('done');
        self::assertStringContainsString(self::IBANS[1], (string) $this->get('/payment-orders/1/order.xml')->getContent());
    }

    public function test_details_that_are_old_or_only_written_otherwise_need_no_approval(): void
    {
        $this->import(['customers.csv' => "customer,name,currency,iban\nC1,Almadraba Foods,EUR,DE89 3704 0044 0532 0130 00\n"]);
        self::assertSame(1, DB::table('customer_ibans')->where('customer_id', $this->customerId('C1'))->count());
        $this->import(['customers.csv' => "customer,name,currency,iban\nC1,Almadraba Foods,EUR,".self::IBANS[2]."\n"]);
        $this->travel(31)->days();
        $this->post('/documents/'.$this->itemId('K1').'/refund', [
            'key' => 'a',
            'amount' => '',
            'way' => 'transfer',
            'date' => '2026-10-31',
            'reason' => 'asked for',
        ])->assertSessionHas('done');
        $this->get('/refunds')->assertSee('waits for the reviewer')->assertDontSee('account number new');
        $this->approveTransfers();
        $this->get('/refunds')->assertSee('Order 1 transfer');
    }

    /** Of 1,210.00 = 1,000.00 + 210.00 half is paid back: 500.00 off the deposits account and 105.00 off output tax (R2). */
    public function test_a_deposit_goes_back_with_its_tax(): void
    {
        app(PlaceReceipt::class)->post(
            'p',
            new ReceiptRequest($this->lineId('order 9'), $this->customerId('C1'), rest: RestPlace::Deposit, depositTax: '21'),
            $this->control(),
        );
        $deposit = (int) DB::table('items')->where('kind', 'deposit')->value('root_id');
        $this->get("/documents/{$deposit}")->assertSee('Pay it back');
        $this->post("/documents/{$deposit}/refund", [
            'key' => 'a',
            'amount' => '605.00',
            'way' => 'transfer',
            'date' => '2026-10-31',
            'reason' => 'order halved',
        ])->assertSessionHas('done');
        self::assertSame(['2170 50000', '2300 10500', '1530 -60500'], $this->voucher());
        $this->approveTransfers();
        $this->post('/refunds/order', ['key' => 'o'])->assertSessionHas('done');
        self::assertStringContainsString(
            '<InstdAmt Ccy="EUR">605.00</InstdAmt>',
            (string) $this->get('/payment-orders/1/order.xml')->getContent(),
        );
        $this->post("/documents/{$deposit}/refund", [
            'key' => 'b',
            'amount' => '',
            'way' => 'cash',
            'date' => '2026-10-31',
            'reason' => 'order cancelled',
        ])->assertSessionHas('done');
        self::assertSame(['2170 50000', '2300 10500', '1510 -60500'], $this->voucher());
        self::assertSame('0.00', $this->report('aged', ['--account' => '2170'])['totals']['total']);
        $this->level();
    }

    public function test_a_refund_that_the_bank_brings_back_is_taken_back_and_clears(): void
    {
        $credit = $this->itemId('K1');
        $this->post("/documents/{$credit}/refund", [
            'key' => 'a',
            'amount' => '',
            'way' => 'transfer',
            'date' => '2026-10-31',
            'reason' => 'asked for',
        ])->assertSessionHas('done');
        $this->approveTransfers();
        $this->post('/refunds/order', ['key' => 'o'])->assertSessionHas('done');
        $this->statement('2026-11-02', [['refund', -12_100, 'RF-00001']], 121_000);
        $this->confirm('2026-11-02');
        $refund = $this->itemId('RF-00001');
        $this->get('/refunds?as_of=2026-11-05');
        $back = ['date' => '2026-11-05', 'reason' => 'account closed'];
        $this->post("/documents/{$refund}/take-back", [...$back, 'key' => 't'])->assertSessionHas(
            'refusal',
            static fn (string $says): bool => str_contains($says, 'The bank has paid it'),
        );
        $this->statement('2026-11-05', [['returned, account closed', 12_100, 'RF-00001']], 108_900);
        $this->get("/documents/{$refund}/take-back")->assertOk();
        $this->post("/documents/{$refund}/take-back", [...$back, 'key' => 't'])->assertSessionHas('done');
        self::assertSame(['1100 -12100', '1530 12100'], $this->voucher());
        $this->confirm('2026-11-05');
        self::assertSame(['1500 12100', '1530 -12100'], $this->voucher());
        self::assertSame(
            0,
            (int) DB::table('postings')->join('accounts', 'accounts.id', '=', 'account_id')->where('account', '1530')->sum('base'),
        );
        self::assertSame(
            '-121.00',
            array_column($this->report('aged', ['--as-of' => '2026-11-05'])['customers'], 'unapplied', 'customer')['C1'],
        );
        $this->level();
    }

    private function confirm(string $asOf): void
    {
        $guess = array_values(
            array_filter(
                app(ReceiptWorklist::class)->guesses($this->control(), $asOf),
                static fn (LineGuess $guess): bool => $guess->line->origin->endToEnd === 'RF-00001',
            ),
        )[0];
        self::assertTrue($guess->isCertain());
        app(PlaceElsewhere::class)->confirm("c{$asOf}", $guess->line->id, (int) $guess->confirmation?->postingId);
    }

    /** @param  list<array{string, int, string}>  $lines text, minor units, the name that the payment had */
    private function statement(string $day, array $lines, int $opening): void
    {
        $entries = '';
        foreach ($lines as [$text, $amount, $name]) {
            $entries .= sprintf(
                '<Ntry><Amt Ccy="EUR">%.2f</Amt><CdtDbtInd>%s</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts><BookgDt><Dt>%3$s</Dt></BookgDt><ValDt>'.
                    '<Dt>%3$s</Dt></ValDt><AcctSvcrRef>S%3$s%4$s</AcctSvcrRef><NtryDtls><TxDtls><Refs><EndToEndId>%5$s</EndToEndId>'.
                    '</Refs><RmtInf><Ustrd>%6$s</Ustrd></RmtInf></TxDtls></NtryDtls></Ntry>',
                abs($amount) / 100,
                $amount < 0 ? 'DBIT' : 'CRDT',
                $day,
                $amount,
                $name === '' ? 'NOTPROVIDED' : $name,
                $text,
            );
        }
        $balance = static fn (string $code, int $of): string => sprintf(
            '<Bal><Tp><CdOrPrtry><Cd>%s</Cd></CdOrPrtry></Tp><Amt '.
                'Ccy="EUR">%.2f</Amt><CdtDbtInd>CRDT</CdtDbtInd><Dt><Dt>%s</Dt></Dt></Bal>',
            $code,
            $of / 100,
            $day,
        );
        $xml =
            "<Document xmlns=\"urn:iso:std:iso:20022:tech:xsd:camt.053.001.08\"><BkToCstmrStmt><Stmt><Id>{$day}</Id><Acct><Id><Othr>".
            "<Id>MILL-1</Id></Othr></Id><Ccy>EUR</Ccy></Acct>{$balance('OPBD', $opening)}{$balance(
                'CLBD',
                $opening + array_sum(array_column($lines, 1)),
            )}{$entries}</Stmt></BkToCstmrStmt></Document>";
        self::assertSame([], $this->import(["statement-{$day}.xml" => $xml])->refused);
    }

    private function lineId(string $text): int
    {
        return (int) DB::table('money_lines')->where('remittance', $text)->value('id');
    }
}
