<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\DB;

/** The allowance as a run: rates and names kept on the page, the change posted and taken back. */
final class AllowanceRunTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS."1190,Allowance,asset,allowance\n6900,Impairment,expense,impairment_loss\n",
            'customers.csv' => "customer,name,currency,group,related\nC1,Uno,EUR,shops,no\nC2,Dos,EUR,,no\nC3,Tres,GBP,,yes\n",
            'items.csv' => self::items([
                'I1,invoice,C1,2026-08-01,2026-10-01,EUR,121.00,121.00,,,,', 'I2,invoice,C1,2026-05-01,2026-06-01,EUR,500.00,500.00,,,,',
                'I3,invoice,C2,2026-08-01,2026-11-01,EUR,1000.00,1000.00,,,,', 'I4,invoice,C3,2026-08-01,2026-11-01,GBP,10.00,11.54,,,,',
                'R1,receipt,C2,2026-10-20,,EUR,100.00,100.00,,,,',
            ]),
            'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\nI1,1,Oil,1,100.00,100.00,21,4000\n",
            'allowance_rates.csv' => "group,bucket,rate\n,not_due,1\n,1-30,2\nshops,1-30,3\n,31-60,4\n,61-90,5\n,over_90,50\n",
            'specific_allowances.csv' => "customer,document,amount,percent,reason,review\nC1,I2,,40,insolvency opened,2026-12-31\n",
            'ledger.csv' => self::ledger(['O1,2026-09-30,1190,s,,25.00,,', 'O1,2026-09-30,4000,s,25.00,,,']),
        ]);
        $this->actingAs($this->person());
    }

    public function test_the_command_says_what_the_run_posts(): void
    {
        $said = $this->report('allowance');
        $filled = array_values(array_filter((array) $said['matrix'], static fn (array $of): bool => $of['base'] !== '0.00'));
        self::assertSame([
            ['group' => '', 'bucket' => 'not_due', 'base' => '1000.00', 'rate' => '1', 'allowance' => '10.00'],
            ['group' => '', 'bucket' => '1-30', 'base' => '-100.00', 'rate' => '2', 'allowance' => '0.00'],
            ['group' => 'shops', 'bucket' => '1-30', 'base' => '121.00', 'rate' => '3', 'allowance' => '3.63'],
        ], $filled);
        self::assertSame([['customer' => 'C1', 'document' => 'I2', 'amount' => '200.00']], $said['specific']);
        self::assertSame(['25.00', '213.63', '188.63'], [$said['before'], $said['after'], $said['change']]);
        $page = (string) $this->get('/allowance')->assertOk()->assertSee('a charge')->getContent();
        preg_match('/name="seen" value="(\w+)"/', $page, $seen);
        $this->post('/runs/allowance', ['key' => 'k', 'seen' => $seen[1] ?? ''])->assertRedirect('/allowance');
        self::assertSame(['6900 18863', '1190 -18863'], $this->voucher());
        self::assertSame('0.00', $this->report('allowance')['change']);
        self::assertSame([20_000], DB::table('allowance_posted')->pluck('amount')->all());
        $this->post('/runs/allowance/1/reverse', ['key' => 'b', 'reason' => 'wrong rates']);
        self::assertSame('188.63', $this->report('allowance')['change']);
        $this->assertBooksHold();
    }

    public function test_tax_that_comes_back_is_left_out_where_relief_is_on(): void
    {
        $this->import(['settings.csv' => "name,value\ntax_relief_write_offs,yes\n"]);
        $shops = array_values(
            array_filter((array) $this->report('allowance')['matrix'], static fn (array $of): bool => $of['group'] === 'shops'),
        );
        self::assertSame('100.00', $shops[1]['base']);
    }

    public function test_rates_names_and_overlays_are_kept_on_the_page(): void
    {
        $this->post(
            '/allowance/specific',
            ['key' => '1', 'customer' => 'C3', 'document' => '', 'amount' => '5,00', 'reason' => 'group company'],
        );
        $this->post('/allowance/specific', ['key' => '2', 'customer' => 'C1', 'document' => 'I2', 'amount' => '0', 'reason' => 'paid']);
        $this->post('/allowance/overlays', ['key' => '3', 'amount' => '7.00', 'side' => 'less', 'reason' => 'good harvest']);
        $this->post('/allowance/overlays', ['key' => '4', 'amount' => '9.00', 'side' => 'more', 'reason' => 'drought']);
        $this->post('/allowance/overlays/2/end', ['key' => '5']);
        $this->post('/allowance/rates', ['key' => '6', 'group' => '', 'bucket' => 'over_90', 'rate' => '60', 'source' => 'last year']);
        $said = $this->report('allowance');
        self::assertSame([['customer' => 'C3', 'document' => '', 'amount' => '5.00']], $said['specific']);
        self::assertSame([['amount' => '-7.00', 'why' => 'good harvest']], $said['overlays']);
        self::assertSame('300.00', array_values(array_filter(
            (array) $said['matrix'], static fn (array $of): bool => $of['base'] === '500.00',
        ))[0]['allowance']);
        foreach ([
            [['customer' => 'C1', 'amount' => '1', 'percent' => '2', 'reason' => 'x'], 'either an amount or a percentage'],
            [['customer' => 'C9', 'amount' => '1', 'reason' => 'x'], 'no customer C9'],
            [['customer' => 'C1', 'document' => 'I9', 'amount' => '1', 'reason' => 'x'], 'owes no document I9'],
        ] as $place => [$typed, $says]) {
            $this->post('/allowance/specific', ['key' => "w{$place}", ...$typed]);
            $refusal = session('refusal');
            self::assertStringContainsString($says, is_string($refusal) ? $refusal : '');
        }
    }
}
