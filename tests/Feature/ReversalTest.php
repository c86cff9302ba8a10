<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Receipts\ReverseReceipt;
use App\Actions\ReverseDocument;
use App\Models\Item;
use App\Queries\PostedDocuments;
use Illuminate\Support\Facades\DB;

/** Every way back (R2, R3): what hangs on a document is shown, undone first, and both sides keep in step. */
final class ReversalTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS."2300,Output tax,liability,output_tax\n4100,Flour,income,\n",
            'items.csv' => self::items([
                'F1,invoice,C1,2026-10-05,2026-11-05,EUR,121.00,121.00,,,E1,',
                'F2,invoice,C1,2026-10-06,2026-11-06,EUR,60.50,60.50,,,,',
                'F3,invoice,C1,2026-10-07,2026-11-07,EUR,50.00,50.00,,,,',
                'R1,receipt,C1,2026-10-10,2026-10-10,EUR,150.00,150.00,,,P1,',
            ]),
            'ledger.csv' => self::ledger([
                'E1,2026-10-05,1100,sale,121.00,,F1,',
                'E1,2026-10-05,4000,sale,,100.00,F1,',
                'E1,2026-10-05,2300,tax,,21.00,F1,',
                'E2,2026-10-06,1100,sale,60.50,,F2,',
                'E3,2026-10-07,1100,sale,50.00,,F3,',
                'P1,2026-10-10,1500,bank,150.00,,R1,',
                'P1,2026-10-10,1100,receipt,,150.00,R1,',
            ]),
            'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\nF2,1,Oil,1,30.00,30.00,21,4000\nF2,".
                "2,Flour,1,20.00,20.00,21,4100\n",
        ]);
        $this->actingAs($this->person());
    }

    private function tied(): void
    {
        self::assertSame('0.00', $this->report('proof')['difference']);
        self::assertSame([], $this->report('proof')['causes']);
        $this->assertBooksHold();
    }

    public function test_an_invoice_goes_back_by_its_own_entry_and_its_match_is_undone_first(): void
    {
        $this->match('C1', ['F1' => '', 'R1' => '121.00']);
        $invoice = $this->itemId('F1');
        $page = $this->get("/documents/{$invoice}/take-back")
            ->assertOk()
            ->assertSee('receipt R1 with invoice F1')
            ->assertDontSee('do not know what it had posted');
        preg_match('/name="seen" value="(\w+)"/', (string) $page->getContent(), $seen);
        $form = ['date' => '2026-10-20', 'reason' => 'sold twice', 'seen' => $seen[1] ?? ''];
        $this->post("/documents/{$invoice}/take-back", [...$form, 'key' => 'a', 'reason' => ''])->assertSessionHas('refusal');
        $this->post("/documents/{$invoice}/take-back", [...$form, 'key' => 'a', 'date' => '2026-10-04'])->assertSessionHas('refusal');
        foreach ([1, 2] as $click) {
            $this->post("/documents/{$invoice}/take-back", [...$form, 'key' => 'a'])->assertSessionHas('done');
        }
        self::assertSame(['1100 -12100', '4000 10000', '2300 2100'], $this->voucher());
        self::assertSame([0, 15_000], [$this->openOf('F1', 'invoice'), $this->openOf('R1', 'receipt')]);
        $this->get("/documents/{$invoice}")
            ->assertSee('Taken back')
            ->assertSee('sold twice');
        $this->get('/documents/'.DB::table('item_reversals')->value('by_item_id'))->assertSee('Takes back');
        $this->post("/documents/{$invoice}/take-back", [...$form, 'key' => 'b'])->assertSessionHas('refusal');
        $this->tied();
    }

    public function test_without_its_entry_the_lines_say_and_without_lines_a_person(): void
    {
        $reverse = app(ReverseDocument::class);
        $reverse->post('a', $this->itemId('F2'), '2026-10-20', 'x');
        self::assertSame(['1100 -6050', '4000 3000', '4100 2000', '2300 1050'], $this->voucher());
        self::assertFalse(app(PostedDocuments::class)->knowsItsPosting(Item::query()->where('document', 'F3')->firstOrFail()));
        $this->get('/documents/'.$this->itemId('F3').'/take-back')->assertSee('do not know what it had posted');
        $this->post('/documents/'.$this->itemId('F3').'/take-back', [
            'key' => 'b',
            'date' => '2026-10-20',
            'reason' => 'x',
        ])->assertSessionHas('refusal');
        $this->post('/documents/'.$this->itemId('F3').'/take-back', [
            'key' => 'b',
            'date' => '2026-10-20',
            'reason' => 'x',
            'account' => '4000',
            'rate' => 'a lot',
        ])->assertSessionHas('refusal');
        $this->post('/documents/'.$this->itemId('F3').'/take-back', [
            'key' => 'b',
            'date' => '2026-10-20',
            'reason' => 'x',
            'account' => '4000',
            'rate' => '21',
        ])->assertSessionHas('done');
        self::assertSame(['1100 -5000', '4000 4132', '2300 868'], $this->voucher());
        $this->tied();
    }

    public function test_what_changed_since_the_person_looked_is_told(): void
    {
        $page = (string) $this->get('/documents/'.$this->itemId('F1').'/take-back')->getContent();
        preg_match('/name="seen" value="(\w+)"/', $page, $seen);
        $this->match('C1', ['F1' => '', 'R1' => '121.00']);
        $this->post('/documents/'.$this->itemId('F1').'/take-back', [
            'key' => 'a',
            'date' => '2026-10-20',
            'reason' => 'x',
            'seen' => $seen[1] ?? '',
        ])->assertSessionHas('refusal');
        self::assertSame(0, DB::table('item_reversals')->count());
        $this->tied();
    }

    public function test_a_receipt_of_another_customer_moves_in_one_step(): void
    {
        $this->match('C1', ['F1' => '', 'R1' => '121.00']);
        $receipt = $this->itemId('R1');
        $this->get("/documents/{$receipt}/take-back")
            ->assertOk()
            ->assertSee('It is another customer')
            ->assertDontSee('Place the line again');
        $this->post("/documents/{$receipt}/move", ['key' => 'a', 'who' => 'C1', 'date' => '2026-10-20', 'reason' => 'x'])->assertSessionHas(
            'refusal',
        );
        $this->post("/documents/{$receipt}/move", [
            'key' => 'a',
            'who' => 'nobody',
            'date' => '2026-10-20',
            'reason' => 'x',
        ])->assertSessionHas('refusal');
        foreach ([1, 2] as $click) {
            $this->post("/documents/{$receipt}/move", [
                'key' => 'a',
                'who' => 'C2',
                'date' => '2026-10-20',
                'reason' => 'the account is that of Dos',
            ])->assertSessionHas('done');
        }
        self::assertSame(['1100 15000', '1100 -15000'], $this->voucher());
        self::assertSame([12_100, 0], [$this->openOf('F1', 'invoice'), $this->openOf('R1', 'receipt')]);
        $totals = array_column((array) $this->report('aged')['customers'], 'total', 'customer');
        self::assertSame(['231.50', '-150.00'], [$totals['C1'], $totals['C2']]);
        $this->expectExceptionMessage('taken back already');
        $this->tied();
        app(ReverseReceipt::class)->move('b', $receipt, $this->customerId('C2'), '2026-10-20', 'x');
    }

    public function test_an_invoice_goes_back_with_its_own_lines_of_a_match_and_the_others_stay_settled(): void
    {
        $this->match('C1', ['F1' => '', 'F3' => '', 'R1' => '']);
        [$invoice, $other] = [$this->itemId('F1'), $this->itemId('F3')];
        $page = $this->get("/documents/{$invoice}/take-back")
            ->assertOk()
            ->assertSee('receipt R1 with invoice F1')
            ->assertDontSee('with invoice F3');
        preg_match('/name="seen" value="(\w+)"/', (string) $page->getContent(), $seen);
        $form = ['date' => '2026-10-20', 'reason' => 'sold twice', 'seen' => $seen[1] ?? '', 'key' => 'a'];
        $this->post("/documents/{$invoice}/take-back", $form)->assertSessionHas('done');
        self::assertSame([0, 2_100], [$this->openOf('F1', 'invoice'), $this->openOf('F3', 'invoice')]);
        self::assertSame(12_100, $this->openOf('R1', 'receipt'));
        $this->post(
            "/documents/{$other}/take-back",
            ['key' => 'b', 'seen' => '', 'account' => '4000', 'rate' => '0'] + $form,
        )->assertSessionHas('done');
        self::assertSame(15_000, $this->openOf('R1', 'receipt'));
        $this->tied();
    }

    public function test_one_line_of_a_match_and_then_the_rest(): void
    {
        $settlement = $this->match('C1', ['F1' => '', 'F3' => '', 'R1' => '']);
        $line = (int) DB::table('matches')->where('debit_item_id', $this->itemId('F3'))->value('id');
        $this->get("/matches/{$settlement}")
            ->assertOk()
            ->assertSee('reverse this line');
        $this->post("/matches/lines/{$line}/reverse", ['key' => 'a', 'date' => '2026-10-01', 'reason' => 'x'])->assertSessionHas('refusal');
        $this->post("/matches/lines/{$line}/reverse", ['key' => 'a', 'date' => '2026-10-20', 'reason' => 'not this one'])->assertSessionHas(
            'done',
        );
        $this->post("/matches/lines/{$line}/reverse", ['key' => 'b', 'date' => '2026-10-20', 'reason' => 'again'])->assertSessionHas(
            'refusal',
        );
        self::assertSame(
            [0, 5_000, 2_900],
            [$this->openOf('F1', 'invoice'), $this->openOf('F3', 'invoice'), $this->openOf('R1', 'receipt')],
        );
        $this->post("/matches/{$settlement}/reverse", ['key' => 'c', 'date' => '2026-10-20', 'reason' => 'all of it'])->assertSessionHas(
            'done',
        );
        self::assertSame([12_100, 15_000], [$this->openOf('F1', 'invoice'), $this->openOf('R1', 'receipt')]);
        $this->tied();
    }
}
