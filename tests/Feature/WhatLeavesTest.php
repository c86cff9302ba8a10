<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\ReverseDocument;
use App\Queries\Movements;
use App\Queries\Settings;
use App\Values\ContraAccount;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** What leaves the close beside the aged list: movement, measures and statements. */
final class WhatLeavesTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'items.csv' => self::items([
                'I1,invoice,C1,2026-09-10,2026-10-10,EUR,1000.00,1000.00,,,,', 'I2,invoice,C1,2026-10-05,2026-11-05,EUR,500.00,500.00,,,,',
                'I3,invoice,C2,2026-10-07,2026-11-07,EUR,90.00,90.00,,,,', 'K1,credit_note,C1,2026-10-09,,EUR,60.00,60.00,,,,',
                'R1,receipt,C1,2026-10-20,,EUR,700.00,700.00,,,,', 'G1,invoice,C3,2026-10-01,2026-10-20,GBP,100.00,115.40,,,,',
                'X1,adjustment,C2,2026-10-12,,EUR,5.00,5.00,credit,,,',
            ]),
            'ledger.csv' => self::ledger([
                'E1,2026-09-10,1100,s,1000.00,,I1,', 'E2,2026-10-05,1100,s,500.00,,I2,', 'E3,2026-10-07,1100,s,60.00,,I3,',
                'E4,2026-10-09,1100,s,,60.00,K1,', 'E5,2026-11-01,1100,s,,700.00,R1,', 'E6,2026-10-01,1100,s,115.40,,G1,',
                'E7,2026-10-30,1100,interest,12.00,,,', 'E8,2026-10-12,1100,s,,5.00,X1,',
            ]),
            'matches.csv' => "date,debit_document,credit_document,amount\n2026-10-20,I1,R1,700.00\n",
        ]);
        $this->actingAs($this->person());
    }

    public function test_movement_ties_at_both_ends_and_differs_by_causes_alone(): void
    {
        $said = $this->report('movement');
        self::assertSame(['1100', '2026-10-01', '2026-10-31'], [$said['account'], $said['from'], $said['to']]);
        self::assertSame([
            ['opening', '1000.00', '1000.00'],
            ['invoices', '675.40', '705.40'], // I3 differs by 30.00
            ['credits', '-60.00', '-60.00'],
            ['receipts', '0.00', '-700.00'], // R1 is posted in November
            ['write_offs', '0.00', '0.00'], ['contra', '0.00', '0.00'], ['exchange', '0.00', '0.00'],
            ['other', '7.00', '-5.00'], // interest that pairs with nothing
            ['closing', '1622.40', '940.40'],
        ], array_map(static fn (array $of): array => array_values($of), (array) $said['lines']));
        self::assertSame('682.00', $said['difference']);
        $november = $this->report('movement', ['--from' => '2026-11-01', '--as-of' => '2026-11-30']);
        self::assertSame(['receipts', '-700.00', '0.00'], array_values(((array) $november['lines'])[3]));
        $this->get('/movement')->assertOk()->assertSee('Amount differs I3')->assertSee('Cut-off R1')->assertSee('Not in subledger');
        self::assertStringContainsString('receipts,,0.00,-700.00,700.00', (string) $this->get('/movement.csv')->assertOk()->getContent());
        $this->refused(
            'ends before it begins',
            fn () => app(Movements::class)->of($this->control(), '2026-10-02', '2026-10-01'),
        );
    }

    public function test_each_figure_of_the_movement_opens_and_groups_of_customers_add_up(): void
    {
        $page = $this->get('/movement/invoices')->assertOk()->assertSee('I3')->assertDontSee('R1');
        $page->assertSeeInOrder(['Customers', '705.40 Dr', 'Amount differs I3', '30.00 Cr', 'Control account', '675.40 Dr']);
        $this->get('/movement/other?kind=unpaired')->assertOk()->assertSeeInOrder(['No item', 'Not in subledger', '12.00 Dr', '12.00 Dr']);
        $this->get('/movement/receipts?words=nobody')->assertOk()->assertSee('700.00 Cr')->assertDontSee('Receipt R1');
        $this->get('/movement/opening')->assertStatus(422)->assertSee('is no line of the movement');
        $movement = $this->report('movement', ['--by' => 'group']);
        $lines = array_column((array) $movement['lines'], 'customers', 'line');
        foreach ($lines as $line => $customers) {
            $sum = array_sum(array_map(static fn (array $of): int => (int) round(100 * (float) $of[$line]), (array) $movement['groups']));
            self::assertSame((int) round(100 * (float) $customers), $sum, $line);
        }
        self::assertSame(1, Artisan::call('ajuste:movement', ['--by' => 'moon']));
    }

    public function test_a_reversal_counts_in_the_line_of_what_it_reverses(): void
    {
        $sales = new ContraAccount(app(Settings::class)->accounts()->numbered('4000'));
        app(ReverseDocument::class)->post('k', $this->itemId('K1'), '2026-10-30', 'wrong customer', $sales);
        $lines = array_column((array) $this->report('movement')['lines'], null, 'line');
        self::assertSame(['0.00', '0.00'], [$lines['credits']['customers'], $lines['credits']['ledger']]);
    }

    public function test_measures_of_the_month(): void
    {
        $said = array_column((array) $this->report('measures'), null, 'measure');
        self::assertSame(
            ['dso', 'dso_count_back', 'best_possible_dso', 'average_days_late', 'collection_effectiveness'],
            array_keys($said),
        );
        self::assertSame(['balance' => '940.40', 'sales' => '705.40', 'days' => '31'], $said['dso']['figures']);
        // 940.40 ÷ 705.40 × 31; 31 + 235 ÷ 1000 × 30; 590 ÷ 705.40 × 31; paid 10 days late; 765.00 ÷ 1115.40.
        self::assertSame(['41.3', '38.1', '25.9', '10.0', '68.6'], array_column($said, 'value'));
        $this->get('/measures')->assertOk()->assertSee('41.3')->assertSee('balance ÷ credit sales × days');
    }

    public function test_a_statement_for_each_currency(): void
    {
        [$said] = $this->report('statement', ['customer' => 'C1']);
        self::assertSame(['C1', 'EUR', '1000.00', '740.00'], [$said['customer'], $said['currency'], $said['forward'], $said['balance']]);
        self::assertSame([
            ['date' => '2026-10-05', 'document' => 'I2', 'debit' => '500.00', 'credit' => '', 'open' => '500.00'],
            ['date' => '2026-10-09', 'document' => 'K1', 'debit' => '', 'credit' => '60.00', 'open' => '-60.00'],
            ['date' => '2026-10-20', 'document' => 'R1', 'debit' => '', 'credit' => '700.00', 'open' => '0.00'],
        ], $said['lines']);
        self::assertSame(['not_due', '1-30', '31-60', '61-90', 'over_90', 'unapplied'], $said['buckets']);
        self::assertSame(['500.00', '300.00', '0.00', '0.00', '0.00', '-60.00'], $said['amounts']);
        $whole = $this->report('statement', ['customer' => 'C1', '--from' => '2026-09-01']);
        self::assertSame(['0.00', 4], [$whole[0]['forward'], count($whole[0]['lines'])]);
        $this->import(['instalments.csv' => "document,due_date,amount\nG1,2026-10-20,40.00\nG1,2026-12-20,60.00\n"]);
        [$foreign] = $this->report('statement', ['customer' => 'C3']);
        self::assertSame(
            ['GBP', '100.00', ['60.00', '40.00']],
            [$foreign['currency'], $foreign['balance'], array_slice($foreign['amounts'], 0, 2)],
        );
        self::assertSame([], $this->report('statement', ['customer' => 'C3', '--as-of' => '2026-09-30']));
    }

    public function test_the_statement_as_pdf_and_in_the_outbox(): void
    {
        $id = $this->customerId('C1');
        $pdf = (string) $this->get("/customers/{$id}/statement.pdf")->assertOk()->getContent();
        self::assertStringStartsWith('%PDF', $pdf);
        $this->get('/customers/'.$this->customerId('C3').'/statement.pdf?from=2026-01-01')->assertOk();
        $this->post("/customers/{$id}/statement", ['key' => 'a']);
        $refusal = session('refusal');
        self::assertStringContainsString('has no e-mail address', is_string($refusal) ? $refusal : '');
        DB::table('customers')->where('id', $id)->update(['email' => 'uno@example.invalid']);
        $this->post("/customers/{$id}/statement", ['key' => 'b'])->assertRedirect("/customers/{$id}");
        self::assertSame(['uno@example.invalid'], DB::table('outbox')->pluck('recipient')->all());
    }
}
