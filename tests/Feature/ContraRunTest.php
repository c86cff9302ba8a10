<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Contra\Offset;
use Ajuste\Core\Contra\OffsetPart;
use Ajuste\Core\Contra\PairChoices;
use App\Actions\ExportJournals;
use App\Actions\Runs\RunPlans;
use App\Http\PairWorktop;
use App\Queries\ContraLetter;
use App\Queries\ContraLetters;
use App\Queries\PaperLine;
use App\Queries\Parties;
use Illuminate\Support\Facades\DB;

/** Contra as a run: both sides at once, home to both ledgers, back as one. */
final class ContraRunTest extends BooksTestCase
{
    private const BILLS = "document,kind,supplier,date,due_date,currency,amount,base_amount,open,carrying,blocked,reference\n";

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS."2100,Payables,liability,payables_control\n",
            'suppliers.csv' => "supplier,name,currency\n701,Uno,EUR\n702,Tres,GBP\n",
            'customers.csv' => "customer,name,currency,supplier\nC1,Uno,EUR,701\nC2,Dos,EUR,\nC3,Tres,GBP,702\n",
            'agreements.csv' => "customer,supplier,reference,from,to,currency,scope\nC1,701,AG-1,2026-01-01,,EUR,all\n"
                ."C3,702,AG-3,2026-01-01,,GBP,all\n",
            'items.csv' => self::items([
                'I1,invoice,C1,2026-08-05,2026-09-05,EUR,700.00,700.00,,,E1,',
                'I2,invoice,C1,2026-09-20,2026-10-20,EUR,450.00,450.00,,,E2,',
                'K1,credit_note,C1,2026-09-10,2026-09-10,EUR,120.00,120.00,,,E3,',
                'G1,invoice,C3,2026-08-05,2026-09-05,GBP,200.00,230.80,,,E4,',
            ]),
            'supplier_items.csv' => self::BILLS."B1,bill,701,2026-09-01,2026-10-01,EUR,300.00,300.00,,,,\n"
                ."B2,bill,701,2026-09-30,2026-10-30,EUR,500.00,500.00,,,,\nB3,bill,701,2026-09-30,2026-10-30,EUR,50.00,50.00,,,yes,\n"
                ."B4,bill,702,2026-09-30,2026-10-30,GBP,100.00,115.00,,117.20,,\n",
            'ledger.csv' => self::ledger([
                'E1,2026-08-05,1100,s,700.00,,I1,', 'E2,2026-09-20,1100,s,450.00,,I2,', 'E3,2026-09-10,1100,s,,120.00,K1,',
                'E4,2026-08-05,1100,s,230.80,,G1,',
            ]),
        ]);
        $this->actingAs($this->person());
    }

    /** @return array<string, string> amount by bill, of what could still be set off */
    private function bills(): array
    {
        return array_column((array) $this->report('contra')['bills'], 'amount', 'document');
    }

    private function setOff(): void
    {
        preg_match('/name="seen" value="(\w+)"/', (string) $this->get('/contra')->assertOk()->getContent(), $found);
        foreach ([1, 2] as $click) {
            $this->post('/runs/contra', ['key' => 'p', 'seen' => $found[1] ?? ''])->assertSessionHas('done');
        }
    }

    public function test_the_plan_is_posted_on_both_sides_and_taken_back_as_one(): void
    {
        $plan = $this->report('contra');
        self::assertSame(
            [['I1', '580.00'], ['I2', '220.00'], ['G1', '100.00']],
            array_map(static fn (array $of): array => [$of['document'], $of['amount']], (array) $plan['lines']),
        );
        self::assertSame(['B1' => '300.00', 'B2' => '500.00', 'B4' => '100.00'], $this->bills());
        self::assertSame('915.40', $plan['total']);
        self::assertSame(
            [['1100', '0.00', '915.40'], ['2100', '917.20', '0.00'], ['4800', '0.00', '1.80']],
            array_map(array_values(...), (array) $plan['voucher']),
        );
        self::assertContains('the bill is being paid already', array_column((array) $plan['left_out'], 'why'));
        $this->get('/contra')->assertSee('AG-1')->assertSee('Set off 3 lines, 915.40');
        $this->setOff();
        $bill = array_column((array) $plan['left_out'], 'document', 'why')['the bill is being paid already'];
        $this->get('/runs/1')->assertOk()->assertSeeInOrder([$bill, 'the bill is being paid already']);
        self::assertSame([0, 23_000, 0, 10_000], [$this->openOf('I1'), $this->openOf('I2'), $this->openOf('K1'), $this->openOf('G1')]);
        self::assertSame(['0.00', []], [$this->report('proof')['difference'], $this->bills()]);
        self::assertSame('0.00', $this->report('aged')['difference']);
        $this->post('/runs/contra/1/reverse', ['key' => 'r', 'reason' => 'withdrawn'])->assertSessionHas('done');
        self::assertSame([70_000, 45_000, 12_000, 20_000], [
            $this->openOf('I1'), $this->openOf('I2'), $this->openOf('K1'), $this->openOf('G1'),
        ]);
        self::assertSame(['B1' => '300.00', 'B2' => '500.00', 'B4' => '100.00'], $this->bills());
        self::assertSame('0.00', $this->report('proof')['difference']);
        preg_match('/name="seen" value="(\w+)"/', (string) $this->get('/contra')->getContent(), $found);
        $this->post('/runs/contra', ['key' => 'again', 'seen' => $found[1] ?? ''])->assertSessionHas('done');
        $documents = DB::table('supplier_contras as c')->join('items as i', 'i.id', '=', 'c.item_id')->pluck('i.document')->all();
        self::assertContains('CT20261031-C1-701-EUR-2', $documents, 'the accounting systems tell the two apart');
        self::assertSame($documents, array_unique($documents));
        $this->assertBooksHold();
    }

    public function test_a_pair_is_set_off_as_far_as_a_person_lets_it(): void
    {
        $id = static fn (string $table, string $document): int => (int) DB::table($table)->where('document', $document)->value('id');
        $pair = DB::table('customers')->where('customer', 'C1')->value('id').'-'
            .DB::table('suppliers')->where('supplier', '701')->value('id').'-EUR';
        $this->get("/contra?pair={$pair}")->assertOk()->assertSee('AG-1')->assertSee('120.00 of Credit note K1 settles Invoice I1')
            ->assertSee('being paid already')->assertSee('Keep these amounts');
        $this->get('/contra?pair=99-99-EUR')->assertOk()->assertSee('Set off 3 lines');
        $ticks = array_fill_keys([$id('items', 'I1'), $id('items', 'I2'), $id('items', 'K1')], '1');
        $bills = array_fill_keys([$id('supplier_items', 'B2'), $id('supplier_items', 'B3')], '1');
        $form = ['pair' => $pair, 'tick' => $ticks, 'amount' => [$id('items', 'I1') => '400'], 'bill_tick' => $bills];
        $this->post('/contra/pair/rehearse', $form)->assertOk()->assertSee('Set off')->assertSee('500.00')
            ->assertSee('I1 300.00: kept out');
        self::assertSame('915.40', $this->report('contra')['total'], 'a rehearsal keeps nothing');
        $this->post('/contra/pair/rehearse', [...$form, 'amount' => [$id('items', 'I1') => 'many']])->assertSee('many');
        $this->post('/contra/pair', [...$form, 'key' => 'n', 'reason' => ' ']);
        self::assertSame(0, DB::table('pair_choices')->count(), 'a reason is asked for');
        foreach ([1, 2] as $click) {
            $this->post('/contra/pair', [...$form, 'key' => 'k', 'reason' => 'B1 is paid by cheque'])->assertSessionHas('done');
        }
        self::assertSame(2, DB::table('pair_choices')->count());
        $plan = $this->report('contra');
        self::assertSame(
            [['I1', '280.00'], ['I2', '220.00'], ['G1', '100.00']],
            array_map(static fn (array $of): array => [$of['document'], $of['amount']], (array) $plan['lines']),
        );
        self::assertSame(['B2' => '500.00', 'B4' => '100.00'], $this->bills());
        self::assertContains('kept out: B1 is paid by cheque', array_column((array) $plan['left_out'], 'why'));
        $this->setOff();
        self::assertSame([30_000, 23_000], [$this->openOf('I1'), $this->openOf('I2')]);
        self::assertSame('0.00', $this->report('proof')['difference']);
        $this->assertBooksHold();
    }

    /** Customers of one supplier take of the same bills, and one customer of several suppliers uses the same items (R7). */
    public function test_a_pair_by_itself_comes_to_what_it_comes_to_among_all(): void
    {
        $this->import([
            'customers.csv' => "customer,name,currency,supplier\nC4,Cuatro,EUR,701\nC5,Cinco,EUR,\n",
            'suppliers.csv' => "supplier,name,currency\nS9,Nueve,EUR\n",
            'items.csv' => self::items([
                'J4,invoice,C4,2026-09-01,2026-09-10,EUR,333.33,333.33,,,,', 'J5,invoice,C5,2026-09-02,2026-09-11,EUR,77.00,77.00,,,,',
            ]),
            'supplier_items.csv' => "document,kind,supplier,date,due_date,currency,amount,base_amount\n"
                ."B90,bill,S9,2026-09-01,2026-09-20,EUR,150.00,150.00\n",
            'agreements.csv' => "customer,supplier,reference,from,to,currency,scope\nC4,701,AG-4,2026-01-01,,EUR,all\n"
                ."C4,S9,AG-5,2026-01-01,,EUR,all\nC5,S9,AG-6,2026-01-01,,EUR,all\n",
        ]);
        $choices = new PairChoices;
        $says = static fn (Offset $of): string => $of->amount()->decimal().' '.implode(',', array_map(
            static fn (OffsetPart $part): string => "{$part->item->document} {$part->amount->decimal()}",
            [...$of->credits, ...$of->debits],
        ));
        $name = static fn (Offset $of): string => PairWorktop::name($of->party);
        $all = app(RunPlans::class)->contra($this->control(), '2026-10-31', $choices)->offsets;
        self::assertSame(3, count($all), 'what the first of a supplier leaves the next may take');
        foreach ($all as $offset) {
            $alone = app(RunPlans::class)->contra($this->control(), '2026-10-31', $choices, $offset->party)->offsets;
            $same = array_values(array_filter($alone, static fn (Offset $of): bool => $name($of) === $name($offset)));
            self::assertSame([$says($offset)], array_map($says, $same), $offset->party->customer->number);
        }
        $c1 = app(Parties::class)->around($this->customerId('C1'), (int) DB::table('suppliers')->where('supplier', '701')->value('id'));
        self::assertLessThan(count(app(Parties::class)->pairs()), count($c1), 'pairs apart are not looked at');
    }

    public function test_what_was_kept_out_of_a_pair_is_let_in_again(): void
    {
        $pair = DB::table('customers')->where('customer', 'C1')->value('id').'-'
            .DB::table('suppliers')->where('supplier', '701')->value('id').'-EUR';
        $this->post('/contra/pair', ['pair' => $pair, 'key' => 'out', 'reason' => 'none of it'])->assertSessionHas('done');
        self::assertSame(['G1'], array_column((array) $this->report('contra')['lines'], 'document'));
        $this->get("/contra?pair={$pair}")->assertSee('Nothing would be set off');
        $all = array_fill_keys(DB::table('items')->pluck('id')->all(), '1');
        $bills = array_fill_keys(DB::table('supplier_items')->pluck('id')->all(), '1');
        $form = ['pair' => $pair, 'tick' => $all, 'bill_tick' => $bills];
        $this->post('/contra/pair', [...$form, 'key' => 'in'])->assertSessionHas('done');
        self::assertSame('915.40', $this->report('contra')['total']);
        $this->post('/contra/pair', [...$form, 'key' => 'same'])->assertSessionMissing('done');
    }

    public function test_the_suppliers_items_stand_beside_their_control_account(): void
    {
        $this->get('/contra')->assertSee('open items 967.20 EUR')->assertSee('no file has brought lines of 2100');
        $this->import(['ledger.csv' => self::ledger(['P1,2026-09-30,2100,s,,900.00,,'])]);
        $this->get('/contra')->assertSee('says 900.00')->assertSee('−67.20 apart');
        $this->setOff();
        $this->get('/contra')->assertSee('open items 50.00 EUR')->assertSee('−67.20 apart');
    }

    public function test_one_pair_is_taken_out_of_the_run_and_the_rest_stays(): void
    {
        $this->setOff();
        $contra = $this->itemId('CT20261031-C3-702-GBP');
        $this->get("/documents/{$contra}")->assertSee('Take this pair out of its run');
        $this->post("/contra/{$contra}/back", ['key' => 'n', 'reason' => ' ']);
        self::assertSame(0, DB::table('item_reversals')->count());
        foreach ([1, 2] as $click) {
            $this->post("/contra/{$contra}/back", ['key' => 'b', 'reason' => 'the agreement was withdrawn'])->assertSessionHas('done');
        }
        self::assertSame([20_000, 0, 23_000], [$this->openOf('G1'), $this->openOf('K1'), $this->openOf('I2')]);
        self::assertSame(['B4' => '100.00'], $this->bills());
        self::assertSame('0.00', $this->report('proof')['difference']);
        $balance = static fn (string $account): int => (int) DB::table('postings')
            ->join('accounts', 'accounts.id', '=', 'account_id')->where('account', $account)->sum('base');
        self::assertSame([80_000, 0], [$balance('2100'), $balance('4800')], 'the realised difference of the pair went back with it');
        $this->post("/contra/{$contra}/back", ['key' => 'c', 'reason' => 'again']);
        self::assertStringContainsString('taken back already', (string) json_encode(session('refusal')));
        $this->post('/contra/'.$this->itemId('I1').'/back', ['key' => 'd', 'reason' => 'x']);
        self::assertStringContainsString('is no contra of Ajuste', (string) json_encode(session('refusal')));
        self::assertCount(1, app(ContraLetters::class)->ofRun(1));
        $this->post('/runs/contra/1/reverse', ['key' => 'r', 'reason' => 'all of it'])->assertSessionHas('done');
        self::assertSame([70_000, 12_000, 20_000], [$this->openOf('I1'), $this->openOf('K1'), $this->openOf('G1')]);
        self::assertSame([0, 0, '0.00'], [$balance('2100'), $balance('4800'), $this->report('proof')['difference']]);
        $this->assertBooksHold();
    }

    /** IAS 32.42 asks for an enforceable right; the letter is the party's proof of what was set off (common practice). */
    public function test_the_letter_lists_both_sides_and_what_remains(): void
    {
        $this->setOff();
        $letters = app(ContraLetters::class)->ofRun(1);
        $says = static fn (array $lines): array => array_map(
            static fn (PaperLine $of): string => trim(
                "{$of->document} {$of->amount->decimal()} ".implode(' ', array_map(
                    static fn (PaperLine $other): string => "{$other->document} {$other->amount->decimal()}",
                    $of->besides,
                )),
            ),
            $lines,
        );
        self::assertSame(
            [
                [
                    'CT20261031-C1-701-EUR', 'AG-1', ['I1 580.00 Credit note K1 120.00', 'I2 220.00'], ['B1 300.00', 'B2 500.00'],
                    '230.00', '50.00',
                ],
                ['CT20261031-C3-702-GBP', 'AG-3', ['G1 100.00'], ['B4 100.00'], '100.00', '0.00'],
            ],
            array_map(static fn (ContraLetter $of): array => [
                $of->contra->document, $of->agreement, $says($of->claims), $says($of->bills), $of->owed->decimal(), $of->owing->decimal(),
            ], $letters),
        );
        $pdf = (string) $this->get('/contra/runs/1/letters.pdf')->assertOk()->getContent();
        self::assertStringStartsWith('%PDF', $pdf);
        $this->get('/contra')->assertSee('Send the letters');
        $this->post('/contra/runs/1/letters', ['key' => 'l']);
        self::assertStringContainsString('Nobody was written to', (string) json_encode(session('refusal')));
        $this->import(['customers.csv' => "customer,name,currency,supplier,email\nC1,Uno,EUR,701,uno@example.invalid\n"]);
        foreach ([1, 2] as $click) {
            $this->post('/contra/runs/1/letters', ['key' => 'm']);
            $said = (string) json_encode(session('done'));
            self::assertStringContainsString('1 sent. Without an e-mail address in customers.csv: C3', $said);
        }
        self::assertSame(['Contra CT20261031-C1-701-EUR, 800.00 EUR'], DB::table('outbox')->pluck('subject')->all());
        $this->post('/runs/contra/1/reverse', ['key' => 'r', 'reason' => 'withdrawn']);
        $this->get('/contra/runs/1/letters.pdf')->assertStatus(422)->assertSee('nobody to write to');
    }

    /** The file's open amount is lessened by an own contra until the file brings it back, and after that not any more. */
    public function test_home_to_the_suppliers_ledger_and_never_counted_twice(): void
    {
        $this->setOff();
        $export = app(ExportJournals::class);
        self::assertStringContainsString(
            "CT20261031-C1-701-EUR,contra,701,2026-10-31,2026-10-31,EUR,800.00,800.00,0.00,AG-1\n", $export->supplierItems(null),
        );
        self::assertStringContainsString("2026-10-31,B1,CT20261031-C1-701-EUR,300.00\n", $export->supplierMatches(null));
        $this->post('/journals/supplier_items.csv', [])->assertOk()->assertSee('contra');
        $bill = static fn (string $open): string => "B2,bill,701,2026-09-30,2026-10-30,EUR,500.00,500.00,{$open},,,\n";
        // As before: nothing is left of it.
        $this->import(['supplier_items.csv' => self::BILLS.$bill('500.00')]);
        self::assertArrayNotHasKey('B2', $this->bills());
        // With the contra: the file's own figure counts, once.
        $this->import([
            'supplier_items.csv' => self::BILLS.$bill('40.00')."B1,bill,701,2026-09-01,2026-10-01,EUR,300.00,300.00,0.00,,,\n"
                ."CT20261031-C1-701-EUR,contra,701,2026-10-31,,EUR,800.00,800.00,0.00,,,AG-1\n",
        ]);
        self::assertSame('40.00', $this->bills()['B2']);
    }

    public function test_an_earlier_day_needs_the_payments_since(): void
    {
        $this->import([
            'supplier_items.csv' => self::BILLS."B1,bill,701,2026-09-01,2026-10-01,EUR,300.00,300.00,100.00,,,\n"
                ."P1,payment,701,2026-11-05,,EUR,200.00,200.00,0.00,,,B1\n",
        ]);
        self::assertSame('300.00', array_column((array) $this->report('contra')['bills'], 'amount', 'document')['B1']);
        $later = $this->report('contra', ['--as-of' => '2026-11-30']);
        self::assertSame('100.00', array_column((array) $later['bills'], 'amount', 'document')['B1']);
        $this->import(['supplier_items.csv' => self::BILLS."B2,bill,701,2026-09-30,2026-10-30,EUR,500.00,500.00,450.00,,,\n"]);
        $this->get('/contra')->assertOk()->assertSee('Bill B2 has 50.00 taken of it');
        $supplier = DB::table('suppliers')->where('supplier', '701')->value('id');
        $customer = DB::table('customers')->where('supplier_id', $supplier)->value('id');
        $this->get("/contra?pair={$customer}-{$supplier}-EUR")->assertOk()->assertSee('Bill B2 has 50.00 taken of it');
        $this->get('/')->assertOk()->assertSee('not possible');
    }

    public function test_pairs_that_stay_say_why_and_one_voucher_a_pair_is_a_policy(): void
    {
        $this->import([
            'settings.csv' => "name,value\ncontra_voucher,pair\n",
            'agreements.csv' => "customer,supplier,reference,from,to,currency,scope\nC3,702,AG-3,2026-01-01,2026-09-30,GBP,all\n",
        ]);
        $plan = $this->report('contra');
        self::assertContains('702 Tres: no agreement is in force, AG-3 is for other days', array_column((array) $plan['left_out'], 'why'));
        $this->setOff();
        self::assertSame([1, 1], [
            DB::table('vouchers')->count(), DB::table('vouchers')->whereNotNull('settlement_id')->count(),
        ]);
        $this->post('/matches/1/reverse', ['key' => 'm', 'reason' => 'one pair back', 'date' => '2026-10-31']);
        self::assertSame([70_000, 45_000], [$this->openOf('I1'), $this->openOf('I2')]);
        self::assertArrayHasKey('B1', $this->bills());
        $this->assertBooksHold();
    }
}
