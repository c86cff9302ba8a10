<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** The aged list by document, group, country and currency, and compared with an earlier day (R11). */
final class AgedInDepthTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'customers.csv' => "customer,name,currency,group,country\nC1,Uno,EUR,shops,ES\nC2,Dos,EUR,shops,FR\nC3,Tres,GBP,,GB\n",
            'items.csv' => self::items([
                'I1,invoice,C1,2026-08-01,2026-09-01,EUR,100.00,100.00,,,,', 'I2,invoice,C1,2026-10-01,2026-11-01,EUR,50.00,50.00,,,,',
                'I3,invoice,C2,2026-09-01,2026-10-01,EUR,70.00,70.00,,,,', 'G1,invoice,C3,2026-08-01,2026-09-20,GBP,10.00,11.54,,,,',
                'R1,receipt,C2,2026-10-10,,EUR,70.00,70.00,,,,', 'R2,receipt,C1,2026-10-10,,EUR,40.00,40.00,,,,',
            ]),
            'matches.csv' => "date,debit_document,credit_document,amount\n2026-10-10,I3,R1,70.00\n2026-10-10,I1,R2,40.00\n",
        ]);
        $this->actingAs($this->person());
    }

    /** @return array<string, string> total by name */
    private function by(string $by): array
    {
        $said = $this->report('aged', ['--by' => $by]);
        self::assertSame($said['totals']['total'], sprintf('%.2f', array_sum(array_column((array) $said['rows'], 'total'))));

        return array_column((array) $said['rows'], 'total', $by === 'document' ? 'document' : 'name');
    }

    public function test_the_rows_by_anything_come_to_the_same(): void
    {
        self::assertSame(['' => '11.54', 'shops' => '110.00'], $this->by('group'));
        self::assertSame(['ES' => '110.00', 'GB' => '11.54'], $this->by('country'));
        self::assertSame(['EUR' => '110.00', 'GBP' => '11.54'], $this->by('currency'));
        self::assertSame(['Invoice I1' => '60.00', 'Invoice I2' => '50.00', 'Invoice G1' => '11.54'], $this->by('document'));
        self::assertArrayNotHasKey('rows', $this->report('aged'));
        foreach (['customer', 'document', 'group', 'country', 'currency'] as $by) {
            $this->get("/aged?by={$by}")->assertOk()->assertSee('121.54');
            self::assertStringStartsWith('%PDF', (string) $this->get("/aged.pdf?by={$by}")->assertOk()->getContent());
            $rows = explode("\n", (string) $this->get("/aged.csv?by={$by}")->assertOk()->assertSee('121.54')->getContent());
            self::assertSame($by === 'document', in_array('document', str_getcsv($rows[0], escape: ''), true));
            self::assertSame(
                [count(str_getcsv($rows[0], escape: ''))],
                array_values(
                    array_unique(array_map(static fn (string $row): int => count(str_getcsv($row, escape: '')), array_filter($rows))),
                ),
            );
        }
        self::assertSame(1, Artisan::call('ajuste:aged', ['--by' => 'moon', '--json' => true]));
    }

    public function test_each_customer_opens_into_its_documents_and_all_at_once(): void
    {
        $uno = $this->customerId('C1');
        $shown = $this->get("/aged/{$uno}/documents?currency=EUR")->assertOk()->assertDontSee('<html', false);
        $shown->assertSeeInOrder(['Invoice I1', '60.00', 'Invoice I2', '50.00']);
        $this->get("/aged/{$uno}/documents?currency=GBP")->assertOk()->assertDontSee('Invoice');
        $this->get("/aged/{$this->customerId('C3')}/documents?in=GBP")->assertOk()->assertSee('10.00')->assertDontSee('11.54');
        $this->get('/aged')->assertOk()->assertSee("/aged/{$uno}/documents", false)->assertDontSee('Invoice I1');
        $page = $this->get('/aged?open=1')->assertOk();
        $page->assertSeeInOrder(['C1 Uno', 'Invoice I1', 'Invoice I2', 'C3 Tres', 'Invoice G1', '2 rows']);
        $this->get('/aged?open=1&by=group')->assertOk()->assertDontSee('Invoice I1');
    }

    public function test_the_control_accounts_stand_beside_each_other_each_with_its_tie(): void
    {
        $said = $this->report('aged', ['--by' => 'account', '--compare' => '2026-09-30']);
        $rows = array_column((array) $said['rows'], null, 'name');
        self::assertSame(['121.54', '-60.00', '121.54'], [
            $rows['1100 Receivables']['total'], $rows['1100 Receivables']['change']['total'], $said['totals']['total'],
        ]);
        self::assertGreaterThan(1, count($rows), 'accounts without an open item too');
        $this->get('/aged?by=account')->assertOk()->assertSeeInOrder(['1100 Receivables', 'Control account 1100', 'Control account']);
        $sheet = (string) $this->get('/aged.csv?by=account')->assertOk()->getContent();
        self::assertSame(count($rows), substr_count($sheet, 'control account '));
        $this->import(['items.csv' => self::items(['D1,invoice,C1,2026-10-02,2026-11-01,EUR,9.00,9.00,,,,1120'])]);
        $said = $this->report('aged', ['--by' => 'account']);
        self::assertSame(['9.00', '130.54'], [
            array_column((array) $said['rows'], 'total', 'name')['1120 Export receivables'] ?? '', $said['totals']['total'],
        ]);
    }

    public function test_documents_of_one_currency_are_shown_in_it(): void
    {
        $gains = "7700,Unrealised gains,income,exchange_unrealised_gain\n7701,Unrealised losses,expense,exchange_unrealised_loss\n";
        $this->import(['accounts.csv' => self::ACCOUNTS.$gains, 'items.csv' => self::items([
            'G2,credit_note,C3,2026-10-05,,GBP,3.00,3.60,,,,', 'X1,exchange_difference,C3,2026-10-31,,GBP,0.00,0.40,debit,G1,,',
        ])]);
        $said = $this->report('aged', ['--in' => 'GBP', '--by' => 'document']);
        self::assertSame([['C3'], '7.00', '-3.00', 'GBP'], [
            array_column((array) $said['customers'], 'customer'), $said['totals']['total'], $said['totals']['unapplied'], $said['in'],
        ]);
        self::assertSame(['Credit note G2' => '-3.00', 'Invoice G1' => '10.00'], array_column((array) $said['rows'], 'total', 'document'));
        self::assertArrayNotHasKey('difference', $said, 'the control account is in base');
        $this->get('/aged?in=GBP')->assertOk()->assertSee('documents in GBP')->assertSee('7.00')->assertDontSee('Uno');
        $this->get("/aged/{$this->customerId('C3')}?in=GBP")->assertOk()->assertSee('10.00')->assertDontSee('0.40');
        self::assertStringStartsWith('%PDF', (string) $this->get('/aged.pdf?in=GBP')->assertOk()->getContent());
        self::assertStringNotContainsString('control account', (string) $this->get('/aged.csv?in=GBP')->assertOk()->getContent());
        $this->get('/aged?in=XYZ')->assertStatus(422)->assertSee('is no currency');
        self::assertSame('0.00', $this->report('aged', ['--in' => 'USD'])['totals']['total']);
    }

    public function test_limits_promises_and_securities_are_shown_and_measured_by_money(): void
    {
        $this->import(['customers.csv' => "customer,name,currency,group,country,credit_limit\nC1,Uno,EUR,shops,ES,100.00\n"]);
        $customer = $this->customerId('C1');
        $this->get('/aged')->assertSee('over limit by 10.00');
        $this->get("/customers/{$customer}")->assertSee('110.00 of 100.00');
        $promise = ['given_on' => '2026-10-05', 'pay_by' => '2026-10-20', 'by_whom' => 'the owner'];
        foreach ([1, 2] as $click) {
            $this->post("/customers/{$customer}/promises", ['key' => 'a', 'amount' => '40.00', ...$promise])->assertSessionHas('done');
            $this->post("/customers/{$customer}/promises", ['key' => 'b', 'amount' => '41', ...$promise])->assertSessionHas('done');
        }
        self::assertSame(2, DB::table('promises')->count());
        $wrongs = [['amount' => '-3'], ['amount' => '0'], ['pay_by' => '2026-10-04'], ['by_whom' => ' '], ['given_on' => 'soon']];
        foreach ($wrongs as $place => $wrong) {
            $this->post("/customers/{$customer}/promises", ['key' => "w{$place}", 'amount' => '5', ...$promise, ...$wrong])
                ->assertSessionMissing('done');
        }
        $this->post("/customers/{$customer}/securities", ['key' => 's', 'what' => 'bank guarantee', 'amount' => '75', 'valid_until' => ''])
            ->assertSessionHas('done');
        $page = $this->get("/customers/{$customer}")->assertSee('bank guarantee');
        $page->assertSeeInOrder(['kept', '40.00 EUR by 20 Oct 2026', '40.00 came'])->assertSeeInOrder(['broken', '41.00 EUR']);
        $this->get('/aged')->assertSee('over limit by 10.00; promise of 41.00 by 20 Oct broken; secured 75.00');
        $this->get("/customers/{$customer}?as_of=2026-10-15")->assertSeeInOrder(['waits', '41.00 EUR']);
        foreach ([1, 2] as $click) {
            $this->post("/customers/{$customer}/promises/2/end", ['key' => 'e', 'reason' => 'agreed anew'])->assertSessionHas('done');
        }
        $this->get('/aged?as_of=')->assertDontSee('broken');
        $invoice = $this->itemId('I2');
        $of = ['key' => 'd', 'item' => $invoice, 'amount' => '50', ...$promise];
        $this->post("/customers/{$customer}/promises", $of)->assertRedirect("/documents/{$invoice}");
        $this->post("/customers/{$customer}/promises", [...$of, 'key' => 'x', 'item' => $this->itemId('G1')])->assertSessionMissing('done');
        $this->get("/documents/{$invoice}")->assertSeeInOrder(['broken', '50.00 EUR by 20 Oct 2026', '0.00 came']);
        $this->get("/customers/{$customer}")->assertSeeInOrder(['broken', '0.00 came', 'for', 'Invoice I2']);
        $this->get('/aged?by=document')->assertSee('promise of 50.00 by 20 Oct broken');
        $this->get("/documents/{$this->itemId('I1')}")->assertDontSee('broken');
        $this->post("/customers/{$customer}/promises/2/end", ['key' => 'f', 'reason' => 'again'])->assertSessionMissing('done');
        $this->assertBooksHold();
    }

    public function test_twelve_months_as_one_picture(): void
    {
        $this->get('/aged/months')->assertOk()->assertSee('31 Oct 2026, Not due')->assertSee('30 Sep 2026')->assertSee('121.54');
    }

    public function test_loss_rates_from_the_books_own_history(): void
    {
        $this->get('/allowance/history')->assertOk()->assertSee('the books do not say')->assertDontSee('Use these rates');
        $items = [];
        foreach (range(1, 9) as $month) {
            $date = "2026-0{$month}-05";
            array_push(
                $items,
                "H{$month},invoice,C1,{$date},{$date},EUR,1000.00,1000.00,,,,",
                "P{$month},receipt,C1,2026-0{$month}-20,,EUR,900.00,900.00,,,,",
            );
            $matches[] = "2026-0{$month}-20,H{$month},P{$month},900.00";
        }
        $items[] = 'W1,write_off,C1,2026-10-05,,EUR,25.00,25.00,,,,';
        $matches[] = '2026-10-05,H1,W1,25.00';
        $items[] = 'P0,receipt,C1,2026-10-06,,EUR,75.00,75.00,,,,';
        $matches[] = '2026-10-06,H1,P0,75.00';
        $this->import([
            'items.csv' => self::items($items),
            'matches.csv' => "date,debit_document,credit_document,amount\n".implode("\n", $matches)."\n",
        ]);
        $page = $this->get('/allowance/history')->assertOk()->assertSee('Lost in the end');
        // All customers: of the oldest column 100.00 left, 25.00 of it written off; a quarter is lost in the end.
        $page->assertSeeInOrder(['All customers', 'Over 90', '25.0000']);
        foreach ([1, 2] as $click) {
            $this->post('/allowance/history', ['key' => 'h', 'group' => ''])->assertRedirect();
        }
        $kept = DB::table('allowance_rates')->where('source', 'like', 'roll rates of 12 periods to 2026-10-31')->orderBy('id');
        self::assertSame(['not_due', '1-30', '31-60', '61-90', 'over_90'], $kept->pluck('bucket')->all());
        self::assertSame('25', rtrim(rtrim((string) $kept->pluck('rate')->last(), '0'), '.'));
        $this->post('/allowance/history', ['key' => 'm', 'group' => 'moon'])->assertSessionMissing('done');
    }

    public function test_compared_with_an_earlier_day_it_names_what_moved(): void
    {
        $rows = array_column((array) $this->report('aged', ['--compare' => '2026-09-30'])['rows'], null, 'customer');
        self::assertSame(['10.00', '-70.00', '0.00'], array_map(
            static fn (string $of): string => $rows[$of]['change']['total'], ['C1', 'C2', 'C3'],
        ));
        self::assertSame(
            ['50.00', '-100.00', '60.00'],
            array_slice($rows['C1']['change']['amounts'], 0, 3),
            'I1 aged and was paid in part',
        );
        $this->get('/aged?compare=2026-09-30')->assertOk()->assertSee('Since 30 Sep')->assertSee('Dos');
        $this->get('/aged?compare=2026-09-30&by=group')->assertOk()->assertSee('−60.00');
        $this->get("/aged/{$this->customerId('C1')}?compare=2026-09-30")->assertOk()->assertSee('What moved since')->assertSee('I2');
        $this->get("/aged/{$this->customerId('C2')}?compare=2026-09-30")->assertOk()->assertSee('settled');
        $this->get('/aged?compare=2026-12-01')->assertStatus(422)->assertSee('earlier day');
        self::assertSame(1, Artisan::call('ajuste:aged', ['--compare' => '2026-12-01', '--json' => true]));
    }

    public function test_receipts_after_the_day_prove_balances(): void
    {
        $said = $this->report('cash-after', ['--as-of' => '2026-09-30']);
        self::assertSame(['2026-09-30', '2026-10-10', '181.54', '110.00', '60.6'], [
            $said['as_of'], $said['until'], $said['open'], $said['paid'], $said['share'],
        ]);
        self::assertSame([
            ['I1', '100.00', '40.00', '40.0', ['R2']],
            ['I3', '70.00', '70.00', '100.0', ['R1']],
            ['G1', '11.54', '0.00', '0.0', []],
        ], array_map(
            static fn (array $of): array => [
                $of['document'],
                $of['open'],
                $of['paid'],
                $of['share'],
                array_column($of['receipts'], 'document'),
            ],
            (array) $said['lines'],
        ));
        self::assertSame('0.00', $this->report('cash-after', ['--as-of' => '2026-09-30', '--until' => '2026-10-09'])['paid']);
        self::assertSame('0.00', $this->report('cash-after', ['--as-of' => '2026-10-31'])['paid']);
        // Money that was in by then and only unapplied is no later receipt.
        $this->import(['items.csv' => self::items(['R3,receipt,C1,2026-09-15,,EUR,20.00,20.00,,,,'])]);
        $this->match('C1', ['I1' => '20.00', 'R3' => ''], '2026-10-12');
        self::assertSame('110.00', $this->report('cash-after', ['--as-of' => '2026-09-30'])['paid']);
        $this->get('/aged/cash-after?as_of=2026-09-30')->assertOk()->assertSee('60.6 %')->assertSee('R2 of 10 Oct');
        $this->get('/aged/cash-after?as_of=2026-09-30&until=2026-09-01')->assertStatus(422)->assertSee('name a later day');
    }

    private function sendStatements(string $filter): TestResponse
    {
        return $this->followingRedirects()->post("/statements/send{$filter}", ['key' => bin2hex(random_bytes(8))])->assertOk();
    }

    public function test_statements_are_sent_to_all_who_fit_and_to_nobody_twice(): void
    {
        $this->import(['customers.csv' => "customer,name,currency,group,email\nC1,Uno,EUR,shops,uno@example.invalid\n"
            ."C3,Tres,GBP,,tres@example.invalid\nC9,Nueve,EUR,,\n",
            'items.csv' => self::items(['I9,invoice,C9,2026-10-05,2026-11-05,EUR,5.00,5.00,,,,'])]);
        $this->get('/statements')->assertOk()->assertSee('Send 2 statements')->assertSee(
            '1 customer without an address',
        )->assertDontSee('C2 Dos');
        $this->get('/statements?overdue=1&least=20,00')->assertOk()->assertSee('C1 Uno')->assertDontSee('C3 Tres');
        $this->get('/statements?group=shops')->assertSee('C1 Uno')->assertDontSee('C9 Nueve');
        $this->get('/statements?least=x')->assertStatus(422);
        self::assertSame('%PDF', substr((string) $this->get('/statements.pdf')->assertOk()->getContent(), 0, 4));
        $this->sendStatements('?group=shops')->assertSee('One statement was sent.')->assertSee('1 statement sent, 0 wait');
        $this->sendStatements('')->assertSee('2 statements sent, 0 wait');
        $this->sendStatements('')->assertSee('0 statements were sent.')->assertSee('2 statements sent, 0 wait');
        self::assertSame(['customer 1', 'customer 3'], DB::table('outbox')->orderBy('about')->pluck('about')->all());
        $this->get('/statements')->assertSee('Send 0 statements');
        $this->get('/statements?as_of=2026-09-30')->assertSee('Send 2 statements');
    }
}
