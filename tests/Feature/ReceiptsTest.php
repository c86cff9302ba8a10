<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Refusal;
use App\Actions\PlaceReceipt;
use App\Actions\ReceiptRequest;
use App\Queries\BankLines;
use App\Queries\PlacedGuess;
use App\Queries\Settings;
use Illuminate\Support\Facades\DB;

final class ReceiptsTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS."6200,Discounts,expense,discounts_allowed\n2300,Output tax,liability,output_tax\n6100,Charges,expense,bank_charges\n",
            'customers.csv' => "customer,name,currency,iban\nC1,Almadraba Foods,EUR,ES7921000813610123456789\nC2,Tiendas Romeral,EUR,\nC3,Obrador Nublares,EUR,\n",
            'items.csv' => "document,kind,customer,date,due_date,currency,amount,base_amount,terms,reference\n20301,invoice,C1,2026-09-12,2026-10-12,EUR,412.30,412.30,,\n20318,invoice,C1,2026-09-18,2026-10-18,EUR,388.00,388.00,,\n20322,invoice,C1,2026-09-23,2026-10-23,EUR,251.75,251.75,,\n"
                ."30001,invoice,C2,2026-10-25,2026-11-24,EUR,1173.47,1173.47,2/10 net 30,RF18539007547034\n30002,invoice,C2,2026-10-25,2026-11-24,EUR,50.00,50.00,,\n40001,invoice,C3,2026-10-01,2026-10-20,EUR,900.00,900.00,,\n",
            'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\n30001,1,Oil,1,969.81,969.81,21,4000\n",
            'ledger.csv' => self::ledger(['E1,2026-09-12,1100,s,412.30,,20301,', 'E2,2026-09-18,1100,s,388.00,,20318,', 'E3,2026-09-23,1100,s,251.75,,20322,', 'E4,2026-10-25,1100,s,1173.47,,30001,', 'E5,2026-10-25,1100,s,50.00,,30002,', 'E6,2026-10-01,1100,s,900.00,,40001,']),
        ]);
        self::assertNotNull($this->import(['statement.xml' => (string) file_get_contents(dirname(__DIR__).'/fixtures/camt053-08.xml')])->importId);
    }

    /** @return array<string, PlacedGuess> by the name of the payer */
    private function guesses(): array
    {
        $lines = app(BankLines::class);
        $guesses = $lines->guesses($lines->toPlace('2026-10-31'), app(Settings::class)->controlAccount(), '2026-10-31');

        return array_column(array_map(static fn (PlacedGuess $guess): array => [$guess->line->party, $guess], $guesses), 1, 0);
    }

    private function place(PlacedGuess $guess, ?string $key = null): void
    {
        app(PlaceReceipt::class)->post($key ?? "k{$guess->line->id}", $guess->request(), app(Settings::class)->controlAccount());
    }

    public function test_the_same_statement_twice_changes_nothing_and_gaps_are_refused(): void
    {
        $xml = (string) file_get_contents(dirname(__DIR__).'/fixtures/camt053-08.xml');
        self::assertTrue($this->import(['statement.xml' => $xml])->changesNothing());
        $next = str_replace(['2026-211', '2026-10-30', 'VGM-', '13092.15', '>10000.00'], ['2026-212', '2026-10-31', 'VGN-', '13093.15', '>10001.00'], $xml);
        $gap = $this->import(['statement.xml' => $next], setAside: true);
        self::assertStringContainsString('opens at 10,001.00, but the one before closed at 13,092.15', $gap->refused[0]->expected);
        $other = $this->import(['statement.xml' => str_replace(['13092.15', '987.15'], ['13093.15', '988.15'], $xml)]);
        self::assertStringContainsString('known with other balances', $other->refused[0]->expected);
        self::assertSame(4, DB::table('bank_lines')->count());
    }

    public function test_who_pays_and_what(): void
    {
        $guesses = $this->guesses();
        self::assertEqualsCanonicalizing(['Almadraba Foods', 'Obrador Nublares', 'Tiendas Romeral'], array_keys($guesses));
        self::assertSame('account known, ends in 6789', $guesses['Almadraba Foods']->payers[0]->why);
        self::assertSame(['quoted_short', -6490], [$guesses['Almadraba Foods']->proposal?->how->value, $guesses['Almadraba Foods']->proposal?->difference]);
        // 1,150.00 is 1,173.47 less 2 % (23.47), quoted by its structured reference.
        self::assertSame(['quoted', true, 2347], [$guesses['Tiendas Romeral']->proposal?->how->value, $guesses['Tiendas Romeral']->isCertain(), $guesses['Tiendas Romeral']->proposal->settles[0]->discount ?? 0]);
        self::assertSame('by_order', $guesses['Obrador Nublares']->proposal?->how->value);
    }

    public function test_receipts_are_posted_on_both_sides_and_once(): void
    {
        $before = $this->report('proof');
        $guess = $this->guesses()['Almadraba Foods'];
        $this->place($guess);
        $this->place($guess);
        $after = $this->report('proof');
        self::assertSame([(string) ((float) $before['control'] - 987.15), '0.00', []], [(string) (float) $after['control'], $after['difference'], $after['causes']]);
        self::assertSame(['64.90'], array_column(array_filter($this->report('aged')['customers'], static fn (array $row): bool => $row['customer'] === 'C1'), 'total'));
        self::assertCount(2, $this->guesses());
        $this->assertBooksHold();
        $this->expectException(Refusal::class);
        $this->place($guess, key: 'another form');
    }

    public function test_a_discount_taken_posts_net_and_tax(): void
    {
        $this->place($this->guesses()['Tiendas Romeral']);
        $lines = DB::table('postings')->join('accounts', 'accounts.id', '=', 'account_id')->whereNotNull('voucher_id')->orderBy('postings.id')->get()->map(static fn (object $line): string => "{$line->account} {$line->base}")->all();
        self::assertSame(['1500 115000', '1100 -115000', '6200 1940', '2300 407', '1100 -2347'], $lines);
        self::assertSame(['50.00'], array_column(array_filter($this->report('aged')['customers'], static fn (array $row): bool => $row['customer'] === 'C2'), 'total'));
        self::assertSame('0.00', $this->report('proof')['difference']);
        $this->assertBooksHold();
    }

    public function test_more_than_owed_stays_loose_and_what_is_not_receivables_goes_out_of_the_way(): void
    {
        $this->place($this->guesses()['Obrador Nublares']);
        self::assertSame(['-100.00'], array_column(array_filter($this->report('aged')['customers'], static fn (array $row): bool => $row['customer'] === 'C3'), 'unapplied'));
        $line = $this->guesses()['Almadraba Foods']->line;
        app(PlaceReceipt::class)->setAside('a', $line->id, 'a rebate');
        self::assertCount(1, $this->guesses());
        $this->assertBooksHold();
        $this->expectExceptionMessage('Say what the line is');
        app(PlaceReceipt::class)->setAside('b', $this->guesses()['Tiendas Romeral']->line->id, ' ');
    }

    public function test_a_rehearsal_shows_what_posting_writes_and_leaves_nothing(): void
    {
        $guess = $this->guesses()['Tiendas Romeral'];
        $request = new ReceiptRequest($guess->line->id, $guess->payers[0]->customerId, [$this->itemId('30001') => ''], [$this->itemId('30001')]);
        $rehearsal = app(PlaceReceipt::class)->rehearse($request, app(Settings::class)->controlAccount());
        self::assertSame([null, '0.00', 2], [$rehearsal->refusal, $rehearsal->unapplied?->decimal(), count($rehearsal->vouchers)]);
        self::assertSame([0, 0, 0], [DB::table('vouchers')->count(), DB::table('matches')->count(), DB::table('bank_placements')->count()]);
        $this->lock('2026-10');
        self::assertStringContainsString('locked', (string) app(PlaceReceipt::class)->rehearse($request, app(Settings::class)->controlAccount())->refusal);
        $this->assertBooksHold();
    }

    public function test_the_sure_ones_are_accepted_at_once_and_only_those(): void
    {
        $this->actingAs($this->person());
        $this->get('/receipts')->assertSee('Accept 1 sure one, 1,150.00');
        $this->post('/receipts/accept')->assertSessionHas('done');
        $this->post('/receipts/accept')->assertSessionHas('done');
        self::assertSame(['Tiendas Romeral'], DB::table('bank_placements')->join('bank_lines', 'bank_lines.id', '=', 'line_id')->pluck('party')->all());
        self::assertSame('0.00', $this->report('proof')['difference']);
        $this->assertBooksHold();
    }

    public function test_the_page_places_lines_and_remembers_the_payer(): void
    {
        DB::table('customers')->where('customer', 'C1')->update(['iban' => '', 'name' => 'Something else']);
        $this->actingAs($this->person());
        $line = (int) DB::table('bank_lines')->where('party', 'Almadraba Foods')->value('id');
        DB::table('customers')->where('customer', 'C3')->update(['name' => 'Nobody']);
        $this->get("/receipts?line={$line}&payer=C2")->assertOk()->assertSee('Tiendas Romeral')->assertSee('chosen by you');
        $customer = $this->customerId('C2');
        $this->post("/receipts/{$line}/rehearse", ['customer' => $customer, 'tick' => [$this->itemId('30002') => '1']])->assertOk()->assertSee('937.15');
        $this->post("/receipts/{$line}", ['key' => 'x', 'customer' => $customer, 'tick' => [$this->itemId('30002') => '1'], 'amount' => [$this->itemId('30002') => '-1']])->assertSessionHas('refusal');
        $this->post("/receipts/{$line}", ['key' => 'x', 'customer' => $customer])->assertSessionHas('done');
        self::assertSame($customer, (int) DB::table('payers')->where('bank_account', 'ES7921000813610123456789')->value('customer_id'));
        $this->get('/receipts')->assertOk()->assertDontSee('ES7921000813610123456789');
        $this->assertBooksHold();
    }
}
