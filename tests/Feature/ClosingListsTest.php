<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Queries\Settings;
use App\Queries\Verification;
use Illuminate\Support\Facades\DB;

/** The lists that a close needs beside items and postings: calendar, instalments, rates of the allowance, matches of the payables side. */
final class ClosingListsTest extends BooksTestCase
{
    private const INVOICE = 'I1,invoice,C1,2026-08-10,2026-09-09,EUR,900.00,900.00,,,,';

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics(['items.csv' => self::items([self::INVOICE, 'R1,receipt,C1,2026-09-30,,EUR,350.00,350.00,,,,'])]);
    }

    public function test_an_own_calendar_says_which_days_a_period_has(): void
    {
        $calendar = "period,from,to\n2026-09,2026-08-31,2026-09-27\n2026-10,2026-09-28,2026-10-25\n";
        self::assertSame([], $this->import(['calendar.csv' => $calendar])->refused);
        self::assertSame('2026-10-25', $this->report('aged')['as_of']);
        self::assertTrue($this->import(['calendar.csv' => $calendar])->changesNothing());
        $over = $this->import(['calendar.csv' => "period,from,to\n2026-11,2026-10-25,2026-11-22\n"])->refused[0];
        self::assertSame(['from', 'a day outside of 2026-10 (2026-09-28 to 2026-10-25) is expected'], [$over->field, $over->expected]);
        $backwards = $this->import(['calendar.csv' => "period,from,to\n2026-12,2026-12-25,2026-11-22\n"])->refused[0];
        self::assertSame('to', $backwards->field);
        $this->lock('2026-10');
        self::assertSame('2026-10-25', app(Settings::class)->locked()->through);
        $late = $this->import(['calendar.csv' => "period,from,to\n2026-10,2026-09-28,2026-10-24\n"])->refused[0];
        self::assertStringContainsString('locked', $late->expected);
    }

    public function test_instalments_age_each_by_itself_and_add_up_to_their_invoice(): void
    {
        $parts = "document,due_date,amount\nI1,2026-09-09,300.00\nI1,2026-10-09,300.00\nI1,2026-11-09,300.00\n";
        self::assertSame([], $this->import(['instalments.csv' => $parts])->refused);
        self::assertTrue($this->import(['instalments.csv' => $parts])->changesNothing());
        $row = $this->report('aged')['customers'][0];
        self::assertSame([['300.00', '300.00', '300.00', '0.00', '0.00'], '-350.00'], [$row['amounts'], $row['unapplied']]);
        $this->match('C1', ['I1' => '350.00', 'R1' => ''], '2026-10-02');
        $row = $this->report('aged')['customers'][0];
        self::assertSame([['300.00', '250.00', '0.00', '0.00', '0.00'], '0.00'], [$row['amounts'], $row['unapplied']]);
        $before = $this->report('aged', ['--as-of' => '2026-10-01'])['customers'][0]['amounts'];
        self::assertSame(['600.00', '300.00'], array_slice($before, 0, 2), 'the oldest part is 22 days late');
        $short = $this->import(['instalments.csv' => "document,due_date,amount\nI1,2026-09-09,300.00\nI1,2026-10-09,300.00\n"]);
        self::assertSame([2, '600.00'], [count($short->refused), $short->refused[0]->value]);
        self::assertStringContainsString('add up to its amount, 900.00 EUR', $short->refused[0]->expected);
        self::assertCount(1, $this->import(['instalments.csv' => "document,due_date,amount\nI9,2026-09-09,300.00\n"])->refused);
        $this->actingAs($this->person())->get('/aged/'.$this->customerId('C1').'?column=1-30')->assertOk()->assertSee('250.00');
        self::assertSame([], app(Verification::class)->faults());
    }

    public function test_a_match_pays_the_instalment_that_is_named(): void
    {
        $parts = "document,due_date,amount\nI1,2026-09-09,300.00\nI1,2026-10-09,300.00\nI1,2026-11-09,300.00\n";
        $this->import(['instalments.csv' => $parts]);
        $this->actingAs($this->person());
        [$customer, $invoice, $receipt] = [$this->customerId('C1'), $this->itemId('I1'), $this->itemId('R1')];
        $this->get("/unapplied?customer={$customer}")->assertSee('oldest instalment first')->assertSee('due 9 Nov, 300.00 open');
        $form = ['tick' => [$invoice => '1', $receipt => '1'], 'amount' => [$invoice => '', $receipt => '300.00'], 'date' => '2026-10-02'];
        $post = function (array $form): string {
            $rehearsed = $this->post('/unapplied/'.$this->customerId('C1').'/rehearse', $form)->assertOk();
            preg_match('/name="seen" value="(\w+)"/', (string) $rehearsed->getContent(), $found);
            $this->post('/unapplied/'.$this->customerId('C1'), [...$form, 'key' => 'n', 'seen' => $found[1] ?? '']);

            return (string) $rehearsed->getContent();
        };
        $said = $post([...$form, 'instalment' => [$invoice => '2026-12-24']]);
        self::assertStringContainsString('no open instalment due 2026-12-24', $said);
        self::assertStringContainsString('has only 300.00 open', $post([
            ...$form, 'instalment' => [$invoice => '2026-11-09'], 'amount' => [$invoice => '310.00', $receipt => '310.00'],
        ]));
        self::assertSame(0, DB::table('matched_instalments')->count());
        $post([...$form, 'instalment' => [$invoice => '2026-11-09']]);
        self::assertSame(['2026-11-09'], DB::table('matched_instalments')->pluck('due_date')->all());
        $amounts = fn (string $day): array => $this->report('aged', ['--as-of' => $day])['customers'][0]['amounts'];
        self::assertSame(['0.00', '300.00', '300.00', '0.00', '0.00'], $amounts('2026-10-31'), 'the two older ones are open and late');
        self::assertSame(['600.00', '300.00', '0.00', '0.00', '0.00'], $amounts('2026-10-01'), 'before the match');
        $this->post('/matches/'.DB::table('settlements')->max('id').'/reverse', ['key' => 'b', 'reason' => 'x', 'date' => '2026-10-31']);
        self::assertSame(['300.00', '300.00', '300.00', '0.00', '0.00'], $amounts('2026-10-31'));
        self::assertSame([], app(Verification::class)->faults());
    }

    public function test_terms_with_several_due_dates_give_an_invoice_its_instalments(): void
    {
        $headings = "document,kind,customer,date,due_date,currency,amount,base_amount,terms\n";
        $items = static fn (string $amount, string $terms): string => $headings
            ."I5,invoice,C2,2026-09-30,,EUR,{$amount},{$amount},{$terms}\n";
        foreach ([1, 2] as $time) {
            self::assertSame([], $this->import(['items.csv' => $items('1210.00', '30% net 0 + 70% net 60')])->refused);
        }
        $amounts = fn (): array => array_column((array) $this->report('aged')['customers'], 'amounts', 'customer')['C2'];
        self::assertSame(['847.00', '0.00', '363.00', '0.00', '0.00'], $amounts());
        self::assertSame('2026-09-30', DB::table('items')->where('document', 'I5')->value('due_date'));
        $this->import(['items.csv' => $items('1000.00', '30% net 0 + 70% net 60')]);
        self::assertSame(['700.00', '0.00', '300.00', '0.00', '0.00'], $amounts());
        $this->import(['instalments.csv' => "document,due_date,amount\nI5,2026-10-15,500.00\nI5,2026-12-15,500.00\n"]);
        self::assertSame(['500.00', '500.00', '0.00', '0.00', '0.00'], $amounts(), 'a file of instalments says others');
        $refused = $this->import(['items.csv' => $items('1000.00', '30% net 0 + 60% net 60')])->refused;
        self::assertStringContainsString('come to 90 %', $refused[0]->expected);
        self::assertSame([], app(Verification::class)->faults());
    }

    public function test_a_receipt_that_quotes_an_invoice_pays_one_or_several_of_its_instalments(): void
    {
        $this->import([
            'instalments.csv' => "document,due_date,amount\nI1,2026-09-09,200.00\nI1,2026-10-09,300.00\nI1,2026-11-09,400.00\n",
            'items.csv' => self::items([
                self::INVOICE, 'R1,receipt,C1,2026-09-30,,EUR,350.00,350.00,,,,',
                'R2,receipt,C1,2026-10-01,,EUR,500.00,500.00,,I1 thanks,,',
                'R3,receipt,C1,2026-10-02,,EUR,300.00,300.00,,,,', 'R4,receipt,C1,2026-10-03,,EUR,250.00,250.00,,I1,,',
            ]),
        ]);
        $found = array_column((array) $this->report('propose'), null, 'receipt');
        self::assertSame(['quoted', [['document' => 'I1', 'side' => 'debit', 'amount' => '500.00', 'discount' => '0.00']]], [
            $found['R2']['how'], $found['R2']['settles'],
        ]);
        self::assertSame(['exact', true, '300.00'], [$found['R3']['how'], $found['R3']['only'], $found['R3']['settles'][0]['amount']]);
        self::assertSame(['quoted_short', '250.00', '-650.00'], [
            $found['R4']['how'], $found['R4']['settles'][0]['amount'], $found['R4']['difference'],
        ]);
        self::assertCount(1, $found['R4']['settles']);
    }

    public function test_settings_of_later_stations_are_known(): void
    {
        $settings = "name,value\naged_contested,column\nallowance_contested,out\nallowance_credits,out\n";
        self::assertSame([], $this->import(['settings.csv' => $settings])->refused);
        self::assertContains('contested', $this->report('aged')['buckets']);
        self::assertCount(1, $this->import(['settings.csv' => "name,value\naged_contested,yes\n"])->refused);
    }

    public function test_loss_rates_and_specific_amounts(): void
    {
        $rates = "group,bucket,rate,source\n,not_due,0.3,history\nretail,over_90,10.6,\n";
        $specific = "customer,document,amount,percent,reason,review\nC1,I1,100.00,,insolvency,2026-12-31\nC2,,,40,disputes all,\n";
        $lists = ['allowance_rates.csv' => $rates, 'specific_allowances.csv' => $specific];
        self::assertSame([], $this->import($lists)->refused);
        self::assertTrue($this->import($lists)->changesNothing());
        self::assertSame([2, 2], [DB::table('allowance_rates')->count(), DB::table('specific_allowances')->count()]);
        $wrong = $this->import([
            'allowance_rates.csv' => "group,bucket,rate\n,never,1\n,1-30,120\n",
            'specific_allowances.csv' => "customer,document,amount,percent,reason\nC1,,1.00,5,both\nC1,,,101,too much\n"
                ."C1,I9,1.00,,no such\n",
        ]);
        self::assertSame(['bucket', 'rate', 'amount', 'percent', 'document'], array_column($wrong->refused, 'field'));
    }

    public function test_reference_rates_as_the_central_bank_publishes_them(): void
    {
        // The form of eurofxref-daily.xml, from memory; the figures are invented.
        $xml = '<?xml version="1.0" encoding="UTF-8"?><gesmes:Envelope xmlns:gesmes="http://www.gesmes.org/xml/2002-08-01" '
            .'xmlns="http://www.ecb.int/vocabulary/2002-08-01/eurofxref"><gesmes:subject>Reference rates</gesmes:subject><Cube>'
            ."<Cube time='2026-10-30'><Cube currency='USD' rate='1.0615'/>"
            ."<Cube currency='GBP' rate='0.85324'/></Cube></Cube></gesmes:Envelope>";
        self::assertSame([], $this->import(['eurofxref-daily.xml' => $xml])->refused);
        self::assertTrue($this->import(['any name.xml' => $xml])->changesNothing());
        self::assertSame(['USD' => '1.0615', 'GBP' => '0.85324'], DB::table('rates')->pluck('rate', 'currency')->all());
        self::assertSame(['unit_per_base'], DB::table('rates')->distinct()->pluck('quoted')->all());
        $blocked = $this->import(['x.xml' => str_replace("<Cube time='2026-10-30'>", '<Cube>', $xml)]);
        self::assertNull($blocked->importId);
        $blocked = $this->import(['x.xml' => '<!DOCTYPE a [<!ENTITY b "c">]>'.substr($xml, 38)]);
        self::assertNull($blocked->importId);
    }

    public function test_customers_keep_what_a_file_does_not_say(): void
    {
        $this->import(['customers.csv' => "customer,name,currency,related,region,salesperson\nC1,Uno,EUR,yes,Norte,Ana\n"]);
        $this->import(['customers.csv' => "customer,name,currency\nC1,Uno y hijos,EUR\n"]);
        $customer = DB::table('customers')->where('customer', 'C1')->first(['name', 'related', 'region', 'salesperson']);
        self::assertSame(['Uno y hijos', 1, 'Norte', 'Ana'], array_values((array) $customer));
    }

    public function test_matches_of_the_payables_side(): void
    {
        $items = "document,kind,supplier,date,due_date,currency,amount,base_amount,open\nB1,bill,S1,2026-09-01,,EUR,300.00,300.00,100.00\n"
            ."P1,payment,S1,2026-10-01,,EUR,200.00,200.00,0.00\n";
        $matches = "date,bill,credit_document,amount\n2026-10-01,B1,P1,200.00\n";
        $lists = [
            'suppliers.csv' => "supplier,name,currency\nS1,Sup,EUR\n", 'supplier_items.csv' => $items, 'supplier_matches.csv' => $matches,
        ];
        self::assertSame([], $this->import($lists)->refused);
        self::assertTrue($this->import($lists)->changesNothing());
        $other = "date,bill,credit_document,amount\n2026-10-01,B1,P1,100.00\n2026-10-01,B7,P1,1.00\n";
        $wrong = $this->import(['supplier_matches.csv' => $other]);
        self::assertSame(['amount', 'bill'], array_column($wrong->refused, 'field'));
    }
}
