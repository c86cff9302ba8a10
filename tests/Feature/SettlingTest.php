<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Money\Money;
use App\Actions\Receipts\Decide;
use App\Actions\ReverseSettlement;
use App\Actions\SettleItems;
use App\Values\DeductionEntry;
use App\Values\MatchRequest;
use App\Values\Reductions;
use Illuminate\Support\Facades\DB;

/** What the worktop of unapplied items can do beside a plain match: discounts, deductions, single lines, deposits, other currencies. */
final class SettlingTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS.
                "2300,Output tax,liability,output_tax\n6200,Discounts,expense,discounts_allowed\n6300,Short ".
                "deliveries,expense,\n6400,Residues,expense,\n",
            'customers.csv' => "customer,name,currency\nC1,Almadraba Foods,EUR\nC2,Kita Export,USD\n",
            'items.csv' => "document,kind,customer,date,due_date,currency,amount,base_amount,side,reference,entry,terms,control_account\n".
                "I1,invoice,C1,2026-10-01,2026-10-31,EUR,1210.00,1210.00,,,E1,2/14 net 30,\nI2,invoice,C1,2026-09-01,2026-10-01,EUR,".
                "605.00,605.00,,,E2,,\nR1,receipt,C1,2026-10-10,2026-10-10,EUR,1185.80,1185.80,,,E3,,\nR2,receipt,C1,2026-10-20,".
                "2026-10-20,EUR,600.00,600.00,,,E4,,\nD1,deposit,C1,2026-09-15,2026-09-15,EUR,100.00,100.00,,,E5,,2170\nU1,".
                "invoice,C2,2026-10-02,2026-11-01,EUR,910.00,910.00,,,E6,,\nU2,receipt,C2,2026-10-12,2026-10-12,USD,1000.00,".
                "900.00,,,E7,,\nU3,invoice,C2,2026-10-03,2026-11-02,GBP,800.00,920.00,,,E8,,\n",
            'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\nI1,1,Olive ".
                "oil,10,100,1000.00,21,4000\nI2,1,Vinegar,1,300,300.00,21,4000\nI2,2,Salt,1,200,200.00,21,4000\n",
            'rates.csv' => "date,currency,rate\n2026-10-30,USD,0.91\n2026-10-30,GBP,1.15\n",
            'ledger.csv' => self::ledger([
                'E1,2026-10-01,1100,s,1210.00,,I1,',
                'E2,2026-09-01,1100,s,605.00,,I2,',
                'E3,2026-10-10,1100,s,,1185.80,R1,',
                'E4,2026-10-20,1100,s,,600.00,R2,',
                'E5,2026-09-15,2170,s,,100.00,D1,',
                'E6,2026-10-02,1100,s,910.00,,U1,',
                'E7,2026-10-12,1100,s,,900.00,U2,',
                'E8,2026-10-03,1100,s,920.00,,U3,',
            ]),
        ]);
        app(Decide::class)->keepReason('r1', 'SHORT', 'Short delivery', '6300', true, '21', true);
        app(Decide::class)->keepReason('r2', 'PRICE', 'Price', '', false, '', true);
        app(Decide::class)->keepReason('r3', 'RESIDUE', 'Small residue', '6400', false, '', false);
    }

    /** 2 % of 1,210.00 = 24.20 = 20.00 + 4.20 at 21 % (R4). */
    public function test_a_discount_closes_the_invoice_and_goes_back_with_the_match(): void
    {
        $id = $this->settle('C1', ['R1' => '', 'I1' => ''], discounts: ['I1']);
        self::assertSame(['6200 2000', '2300 420', '1100 -2420'], $this->vouchers());
        self::assertSame(['R1' => 0, 'I1' => 0], $this->open(['R1', 'I1']));
        $this->level();
        app(ReverseSettlement::class)->post('back', $id, '2026-10-31', 'mistaken');
        self::assertSame(['R1' => 118_580, 'I1' => 121_000], $this->open(['R1', 'I1']));
        $this->level();
    }

    public function test_a_discount_is_measured_by_the_day_of_the_money(): void
    {
        $this->refused(
            'offers no discount on the value date 2026-10-20',
            fn () => $this->settle('C1', ['R2' => '', 'I1' => '620.00'], discounts: ['I1']),
        );
    }

    public function test_a_deduction_with_its_tax_and_a_contested_amount(): void
    {
        // 605.00 = 600.00 + 5.00; 5.00 of it is tax-relieved in the invoice's own mix: 4.13 + 0.87.
        $this->settle('C1', ['R2' => '', 'I2' => ''], deductions: [['SHORT', 'I2', '5.00']]);
        self::assertSame(['6300 413', '2300 87', '1100 -500'], $this->vouchers());
        self::assertSame(['R2' => 0, 'I2' => 0], $this->open(['R2', 'I2']));
        $this->settle('C1', ['R1' => '', 'I1' => ''], deductions: [['PRICE', 'I1', '24.20']]);
        self::assertSame(['R1' => 0, 'I1' => 2_420], $this->open(['R1', 'I1']));
        self::assertSame(2_420, (int) DB::table('contested')->value('amount'));
        $this->level();
    }

    public function test_a_residue_without_any_credit(): void
    {
        $this->settle('C1', ['R2' => '', 'I2' => '']);
        self::assertSame(['I2' => 500], $this->open(['I2']));
        $this->settle('C1', ['I2' => ''], deductions: [['RESIDUE', '', '5.00']]);
        self::assertSame(['6400 500', '1100 -500'], $this->vouchers());
        self::assertSame(['I2' => 0], $this->open(['I2']));
        $this->level();
    }

    public function test_single_lines_of_an_invoice(): void
    {
        // Line 2 is 200.00 + 42.00 tax.
        $id = $this->settle('C1', ['R2' => '', 'I2' => ''], lines: ['I2' => ['2']]);
        self::assertSame(['R2' => 35_800, 'I2' => 36_300], $this->open(['R2', 'I2']));
        self::assertSame(
            [['2', $id]],
            DB::table('matched_lines')->get()->map(static fn (object $row): array => [$row->line, $row->settlement_id])->all(),
        );
    }

    public function test_deposit_receipt_and_credits_together(): void
    {
        $this->settle('C1', ['D1' => '', 'R2' => '', 'I2' => '']);
        // Ticked first, the deposit is used first: 605.00 = 100.00 + 505.00.
        self::assertSame(['D1' => 0, 'R2' => 9_500, 'I2' => 0], $this->open(['D1', 'R2', 'I2']));
        self::assertSame(['2170 10000', '1100 -10000'], $this->vouchers());
        $this->level();
        self::assertSame('0.00', $this->report('aged', ['--account' => '2170'])['totals']['total']);
    }

    /** 1,000.00 USD that carry 900.00 and are worth 910.00: a loss of 10.00 (R3, R9). */
    public function test_a_receipt_is_converted_into_the_currency_of_the_invoice(): void
    {
        $this->refused('Say beside it what 1,000.00 USD is worth in EUR', fn () => $this->settle('C2', ['U2' => '', 'U1' => '']));
        $id = $this->settle('C2', ['U2' => '', 'U1' => ''], worth: ['U2' => '910,00']);
        self::assertSame(['1100 90000 USD 100000', '1100 -91000', '6800 1000'], $this->vouchers(true));
        self::assertSame(['U2' => 0, 'U1' => 0], $this->open(['U2', 'U1']));
        $this->level();
        app(ReverseSettlement::class)->post('back', $id, '2026-10-31', 'mistaken');
        self::assertSame(['U2' => 100_000, 'U1' => 91_000], $this->open(['U2', 'U1']));
        $this->level();
    }

    /** Between two foreign currencies the match realises the difference: 900.00 settles 920.00 of base. */
    public function test_a_receipt_is_converted_between_foreign_currencies_and_its_rest_stays_loose(): void
    {
        $id = $this->settle('C2', ['U2' => '', 'U3' => '600.00'], worth: ['U2' => '800.00']);
        // 600.00 of 800.00 GBP takes 675.00 of 900.00 off the credit and 690.00 of 920.00 off the invoice: 15.00 is a loss.
        self::assertSame(['1100 90000 USD 100000', '1100 -90000 GBP -80000', '1100 -1500', '6800 1500'], $this->vouchers(true));
        self::assertSame(['U2' => 0, 'U3' => 20_000], $this->open(['U2', 'U3']));
        $rest = (int) DB::table('items')->where('kind', 'transfer')->where('side', 'credit')->value('root_id');
        $this->level();
        app(SettleItems::class)->post(
            'more',
            new MatchRequest($this->customerId('C2'), [$rest => null, $this->itemId('U3') => null]),
            $this->control(),
        );
        self::assertSame(['U3' => 0], $this->open(['U3']));
        // The first match goes back with the second one, which hangs on what it made; its page says so first.
        $this->actingAs($this->person());
        $this->get("/matches/{$id}")
            ->assertOk()
            ->assertSee('What it made was used since')
            ->assertSee('Match '.($id + 1).' of ');
        $this->get('/matches/'.($id + 1))->assertDontSee('What it made was used since');
        app(ReverseSettlement::class)->post('back', $id, '2026-10-31', 'mistaken');
        self::assertSame(['U2' => 100_000, 'U3' => 80_000], $this->open(['U2', 'U3']));
        $this->level();
    }

    /** The page sends all of it: worth beside a credit in other money, discounts, reasons, lines. */
    public function test_the_worktop_sends_what_a_person_says(): void
    {
        $this->actingAs($this->person());
        [$customer, $credit, $invoice] = [$this->customerId('C2'), $this->itemId('U2'), $this->itemId('U1')];
        $this->get("/unapplied?customer={$customer}")
            ->assertOk()
            ->assertSee('worth in EUR or GBP')
            ->assertSee('in other money only');
        $form = ['tick' => [$credit => '1', $invoice => '1'], 'amount' => [], 'worth' => [$credit => '910.00']];
        $this->post("/unapplied/{$customer}/rehearse", $form)
            ->assertOk()
            ->assertSee('Post 910.00 and next')
            ->assertSee('U2 converted into EUR')
            ->assertSee('Exchange losses');
        $this->post("/unapplied/{$customer}", [...$form, 'key' => 'w'])->assertSessionHas('done');
        self::assertSame(['U2' => 0, 'U1' => 0], $this->open(['U2', 'U1']));

        $customer = $this->customerId('C1');
        $this->get("/unapplied?customer={$customer}&with_lines=1")
            ->assertOk()
            ->assertSee('less 24.20 discount')
            ->assertSee('R1: same amount less discount → I1 ')
            ->assertDontSee(', less the discount')
            ->assertSee('only line 2, Salt');
        $form = [
            'tick' => [$this->itemId('R1') => '1', $this->itemId('I1') => '1'],
            'amount' => [],
            'discount' => [$this->itemId('I1') => '1'],
        ];
        $this->post("/unapplied/{$customer}/rehearse", $form)
            ->assertOk()
            ->assertSee('Post 1,210.00 and next');
        $form = [
            'tick' => [$this->itemId('R2') => '1', $this->itemId('I2') => '1'],
            'amount' => [],
            'kept_code' => ['SHORT'],
            'kept_of' => [(string) $this->itemId('I2')],
            'kept' => ['5.00'],
        ];
        $this->post("/unapplied/{$customer}/rehearse", $form)
            ->assertOk()
            ->assertSee('Post 605.00 and next');
        $form = [
            'tick' => [$this->itemId('R2') => '1', $this->itemId('I2') => '1'],
            'amount' => [],
            'lines' => [$this->itemId('I2') => ['2' => '1']],
        ];
        $this->post("/unapplied/{$customer}/rehearse", $form)
            ->assertOk()
            ->assertSee('Post 242.00 and next');
        $this->post("/unapplied/{$customer}/rehearse", [
            'tick' => [$this->itemId('D1') => '1'],
            'worth' => ['x' => ['y']],
            'kept' => 'z',
            'discount' => 'q',
        ])->assertOk();
        $this->level();
    }

    public function test_what_does_not_fit_is_refused_and_nothing_is_written(): void
    {
        $before = DB::table('audit_records')->count();
        $this->refused(
            '0.95 EUR of the debits is still to be placed',
            fn () => $this->settle('C1', ['R2' => '', 'I2' => ''], deductions: [['SHORT', 'I2', '4.05']]),
        );
        $short = [['SHORT', 'I1', '5.00']];
        $this->refused('which is not ticked', fn () => $this->settle('C1', ['R2' => '', 'I2' => ''], deductions: $short));
        $this->refused('another debit in', fn () => $this->settle('C2', ['U1' => '', 'U3' => '', 'U2' => '']));
        $this->refused(
            'Deposit D1: 101.00 was typed, but only 100.00 EUR is open',
            fn () => $this->settle('C1', ['D1' => '101.00', 'I2' => '']),
        );
        $this->refused(
            'Deposit D1 is dated 2026-09-15',
            fn () => app(SettleItems::class)->post(
                'early',
                new MatchRequest($this->customerId('C1'), [$this->itemId('D1') => null, $this->itemId('I2') => null], '2026-09-10'),
                $this->control(),
            ),
        );
        self::assertSame($before, DB::table('audit_records')->count());
        self::assertSame(0, DB::table('settlements')->count());
        $this->level();
    }

    /**
     * @param array<string, string> $typed by document
     * @param list<string> $discounts
     * @param list<array{string, string, string}> $deductions code, document, amount
     * @param array<string, list<string>> $lines by document
     * @param array<string, string> $worth by document
     */
    private function settle(
        string $customer,
        array $typed,
        array $discounts = [],
        array $deductions = [],
        array $lines = [],
        array $worth = [],
    ): int {
        $byId = fn (array $of): array => array_combine(array_map($this->itemId(...), array_keys($of)), $of);
        $entries = array_map(
            fn (array $of): DeductionEntry => new DeductionEntry($of[0], $of[1] === '' ? 0 : $this->itemId($of[1]), self::money($of[2])),
            $deductions,
        );
        $request = new MatchRequest(
            $this->customerId($customer),
            $this->takes($byId($typed)),
            null,
            new Reductions(array_map($this->itemId(...), $discounts), $entries, $byId($lines)),
            array_map(fn (string $of): Money => self::money($of, isset($typed['U3']) ? 'GBP' : 'EUR'), $byId($worth)),
        );
        $seen = app(SettleItems::class)->rehearse($request, $this->control())->digest();

        return app(SettleItems::class)->post(bin2hex(random_bytes(8)), $request, $this->control(), $seen);
    }

    /** @return list<string> account and minor units of the vouchers of the last settlement that are no reversals */
    private function vouchers(bool $foreign = false): array
    {
        return DB::table('postings as p')
            ->join('accounts as a', 'a.id', '=', 'p.account_id')
            ->join('vouchers as v', 'v.id', '=', 'p.voucher_id')
            ->where('v.settlement_id', DB::table('settlements')->max('id'))
            ->whereNull('v.reverses_id')
            ->orderBy('p.id')
            ->get(['a.account', 'p.base', 'p.currency', 'p.currency_amount'])
            ->map(
                static fn (object $line): string => trim(
                    "{$line->account} {$line->base}".($foreign ? " {$line->currency} {$line->currency_amount}" : ''),
                ),
            )
            ->all();
    }

    /**
     * @param list<string> $documents
     * @return array<string, int>
     */
    private function open(array $documents): array
    {
        $open = [];
        foreach ($documents as $document) {
            $row = DB::table('item_positions')->where('item_id', $this->itemId($document))->first();
            $open[$document] = ($row->amount ?? 0) - ($row->matched ?? 0);
        }

        return $open;
    }
}
