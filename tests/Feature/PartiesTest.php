<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\DB;

/** Who is customer and supplier at once, by hand too, and what was agreed with them, in versions (R7). */
final class PartiesTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS."2100,Payables,liability,payables_control\n",
            'customers.csv' => "customer,name,currency,iban\nC1,Olivar Alto SL,EUR,\nC2,Dos,EUR,GB29NWBK60161331926819\nC3,Tres,EUR,\n",
            'suppliers.csv' => "supplier,name,currency,iban\nS1,Olivar Alto,EUR,\nS2,Otro,EUR,GB29NWBK60161331926819\nS3,Lejos,EUR,\n",
            'items.csv' => self::items([
                'I1,invoice,C1,2026-09-01,2026-10-01,EUR,100.00,100.00,,,,', 'I2,invoice,C2,2026-09-01,2026-10-01,EUR,70.00,70.00,,,,',
            ]),
            'supplier_items.csv' => "document,kind,supplier,date,due_date,currency,amount,base_amount,open,blocked\n".
                "B1,bill,S1,2026-09-05,2026-10-05,EUR,60.00,60.00,,\nB2,bill,S2,2026-09-05,2026-10-05,EUR,40.00,40.00,,yes\n".
                "B3,bill_credit,S1,2026-09-06,2026-10-06,EUR,5.00,5.00,,\nB4,bill,S1,2026-11-05,2026-12-05,EUR,9.00,9.00,,\n",
            'ledger.csv' => self::ledger(['E1,2026-10-01,1500,s,1.00,,,', 'E1,2026-10-01,4000,s,,1.00,,']),
        ]);
        $this->actingAs($this->person());
    }

    private function refuses(string $words): void
    {
        $says = session('refusal');
        self::assertStringContainsString($words, is_string($says) ? $says : '');
    }

    /** @return array<string, string> */
    private static function agreement(string $key): array
    {
        return [
            'key' => $key, 'customer' => 'C1', 'supplier' => 'S1', 'reference' => 'A-7', 'currency' => 'eur', 'scope' => 'all',
            'from' => '2026-01-01', 'to' => '',
        ];
    }

    public function test_what_is_alike_is_proposed_and_never_taken(): void
    {
        self::assertSame([], $this->report('contra')['left_out']);
        $this->get('/contra')->assertSee('2 pairs')->assertSee('may be the same party');
        $this->get('/agreements')->assertSee('name, 100 of 100 alike')->assertSee('account known, ends in 6819');
        foreach ([1, 2] as $click) {
            $this->post('/parties/link', ['key' => 'a', 'customer' => 'C1', 'supplier' => 'S1', 'reason' => 'name']);
        }
        $this->post('/parties/part', ['key' => 'b', 'customer' => 'C2', 'supplier' => 'S2', 'reason' => 'a family account']);
        self::assertSame(2, DB::table('party_links')->count());
        $this->get('/agreements')->assertDontSee('May be the same party');
        self::assertStringContainsString('no agreement', $this->report('contra')['left_out'][0]['why']);
        $this->post('/parties/link', ['key' => 'c', 'customer' => 'C9', 'supplier' => 'S1', 'reason' => 'x']);
        $this->refuses('There is no customer “C9”');
        $this->post('/parties/link', ['key' => 'd', 'customer' => 'C1', 'supplier' => 'S9', 'reason' => 'x']);
        $this->refuses('There is no supplier “S9”');
        $this->post('/parties/link', ['key' => 'e', 'customer' => 'C1', 'supplier' => 'S1', 'reason' => ' ']);
        $this->refuses('Say why');
        $this->post('/parties/part', ['key' => 'f', 'customer' => 'C1', 'supplier' => 'S1', 'reason' => 'two firms']);
        self::assertSame([], $this->report('contra')['left_out']);
        $this->assertBooksHold();
    }

    public function test_an_agreement_is_kept_ended_and_changed_by_a_file_in_versions(): void
    {
        foreach ([1, 2] as $click) {
            $this->post('/agreements', self::agreement('a'))->assertSessionHas('done');
        }
        self::assertSame(['55.00', []], [$this->report('contra')['total'], $this->report('contra')['left_out']]);
        $this->post('/agreements', self::agreement('b'));
        $this->refuses('is there already');
        $this->post('/agreements', [...self::agreement('c'), 'reference' => 'A-8', 'to' => '2025-12-31']);
        $this->refuses('on or after that is expected');
        $this->post('/agreements', [...self::agreement('d'), 'reference' => 'A-8', 'scope' => 'some']);
        $this->refuses('due items only, or all');
        $this->post('/agreements', [...self::agreement('e'), 'reference' => 'A-8', 'currency' => 'XQZ']);
        $this->refuses('XQZ');
        $this->post('/agreements/end', ['agreement' => 1, 'key' => 'f', 'last' => '2025-01-01']);
        $this->refuses('on or after that is expected');
        $this->post('/agreements/end', ['agreement' => 1, 'key' => 'g', 'last' => '2026-09-30'])->assertSessionHas('done');
        $this->post('/agreements/end', ['agreement' => 1, 'key' => 'h', 'last' => '2026-09-30']);
        $this->refuses('no such agreement any more');
        self::assertSame('0.00', $this->report('contra')['total']);
        $this->get('/agreements')->assertSee('not in force')->assertSee('30 Sep 2026');
        $file = "customer,supplier,reference,from,to,currency,scope\nC1,S1,A-7,2026-01-01,,EUR,due\n";
        self::assertSame([], $this->import(['agreements.csv' => $file])->refused);
        self::assertSame([], $this->import(['agreements.csv' => $file])->refused);
        self::assertSame(
            [['2026-01-01', '', 'all'], ['2026-01-01', '2026-09-30', 'all'], ['2026-01-01', '', 'due']],
            DB::table('agreements')->orderBy('id')->get(['from_date', 'to_date', 'scope'])->map(
                static fn ($of) => array_values((array) $of),
            )->all(),
        );
        self::assertSame(1, DB::table('agreements')->whereNull('superseded_at')->count());
        self::assertSame('55.00', $this->report('contra')['total']);
        $this->assertBooksHold();
    }

    public function test_the_supplier_page_shows_what_is_owed_as_of_a_day(): void
    {
        $supplier = DB::table('suppliers')->where('supplier', 'S1')->value('id');
        $this->get("/suppliers/{$supplier}")->assertOk()->assertSee('B1')->assertSee('B3')->assertDontSee('B4');
        $this->get("/suppliers/{$supplier}?as_of=2026-11-30")->assertSee('B4');
        $this->get('/suppliers?as_of=2026-10-31')->assertOk()->assertSee('55.00 Cr')->assertSee('40.00 Cr');
        $this->get('/suppliers/99')->assertStatus(422)->assertSee('no such supplier');
        $blocked = DB::table('suppliers')->where('supplier', 'S2')->value('id');
        $this->get("/suppliers/{$blocked}")->assertSee('blocked');
    }
}
