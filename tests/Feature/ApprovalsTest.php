<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use App\Queries\Reports;
use Illuminate\Support\Facades\DB;

/** What needs a second person beside the closing runs (R13): corrections, entries, credit notes without an invoice, amounts by name. */
final class ApprovalsTest extends BooksTestCase
{
    private User $preparer;

    private User $reviewer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS."1195,Allowance,asset,allowance\n6900,Loss,expense,impairment_loss\n7600,Bonus,expense,\n",
            'settings.csv' => "name,value\nperiod,2026-10\napproval_limit,100.00\n",
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-01,2026-10-31,EUR,70.00,70.00,,,,', 'B,invoice,C1,2026-10-02,2026-10-31,EUR,150.00,150.00,,,,',
                'C,invoice,C2,2026-10-02,2026-10-31,EUR,90.00,90.00,,,,',
            ]),
            'ledger.csv' => self::ledger(['E9,2026-10-01,1500,s,1.00,,,']),
        ]);
        $this->preparer = $this->person();
        $this->reviewer = $this->person('reviewer');
        $this->actingAs($this->preparer);
    }

    /**
     * @param array<string, string> $more
     * @return string where it leads
     */
    private function mend(string $key, string $way, string $document, array $more = []): string
    {
        $lines = app(Reports::class)->proof($this->control(), '2026-10-31')->lines;
        $of = array_column(array_map(static fn ($line): array => [$line->document(), $line->key()], $lines), 1, 0);
        $typed = ['key' => $key, 'line' => $of[$document] ?? '', 'counter' => '4000', 'date' => '2026-10-31', ...$more];

        return (string) $this->post("/proof/correct/{$way}", $typed)->headers->get('Location');
    }

    private function refuses(string $words): void
    {
        $says = session('refusal');
        self::assertStringContainsString($words, is_string($says) ? $says : '');
    }

    public function test_a_correction_above_the_limit_is_posted_when_a_reviewer_approves_what_was_seen(): void
    {
        self::assertStringEndsWith('/proof', $this->mend('small', 'voucher', 'A'));
        self::assertSame(1, DB::table('vouchers')->count());
        $asked = $this->mend('large', 'voucher', 'B');
        self::assertStringEndsWith('/approvals/1', $asked);
        self::assertSame($asked, $this->mend('large', 'voucher', 'B'), 'a second click asks once');
        $this->mend('more', 'voucher', 'B');
        $this->refuses('has asked for exactly this already');
        $this->get('/proof')->assertSee('A second person approves it');
        self::assertSame(1, DB::table('vouchers')->count());
        $this->post('/approvals/1/approve', ['key' => 'own']);
        $this->refuses('A reviewer approves');
        $this->actingAs($this->reviewer)->get('/approvals/1')->assertSee('Correct the ledger for not in ledger B')->assertSee('150.00');
        foreach ([1, 2] as $click) {
            $this->post('/approvals/1/approve', ['key' => 'yes'])->assertRedirect('/approvals');
        }
        self::assertSame(2, DB::table('vouchers')->count());
        self::assertSame(['C'], array_column($this->report('proof')['causes'][0]['lines'], 'document'));
        $this->assertBooksHold();
    }

    public function test_all_of_a_kind_count_together_and_an_entry_on_the_customers_side_counts_too(): void
    {
        self::assertStringEndsWith('/approvals/1', $this->mend('all', 'voucher_for_each', '', ['cause' => 'not_in_ledger']));
        self::assertStringEndsWith('/approvals/2', $this->mend('entry', 'customer', 'B', ['who' => 'C1']));
        $this->actingAs($this->reviewer)->get('/approvals/2')->assertSee('With the customers')->assertSee('150.00 Cr');
        $this->post('/approvals/2/approve', ['key' => 'yes']);
        self::assertSame(1, DB::table('vouchers')->count());
        // One of the causes is gone: all of them are no longer what was asked for.
        $this->post('/approvals/1/approve', ['key' => 'no']);
        $this->refuses('has changed');
        $this->get('/approvals/1')->assertSee('has changed since')->assertDontSee('Approve and post');
        self::assertSame(1, DB::table('vouchers')->count());
        $this->assertBooksHold();
    }

    public function test_a_credit_note_without_an_invoice_above_the_limit_is_asked_for(): void
    {
        $page = '/customers/'.$this->customerId('C1').'/credit-note';
        $typed = static fn (string $key, string $net): array => [
            'key' => $key, 'date' => '2026-10-31', 'reason' => 'bonus of the year', 'free_text' => ['Bonus'], 'free_account' => ['7600'],
            'free_rate' => [''], 'free_net' => [$net],
        ];
        $this->post("{$page}/rehearse", $typed('r', '100.01'))->assertSee('A second person approves it')->assertSee('Ask for approval');
        $this->post($page, $typed('a', '100.01'))->assertRedirect('/approvals/1');
        self::assertSame(0, DB::table('credit_notes')->count());
        $this->post($page, $typed('b', '100.00'))->assertSessionHas('done');
        self::assertSame(1, DB::table('credit_notes')->count());
        // The number that it was going to bear is taken: it is looked at again.
        $this->actingAs($this->reviewer)->post('/approvals/1/approve', ['key' => 'late']);
        $this->refuses('has changed');
        $this->actingAs($this->preparer)->post($page, $typed('c', '100.01'))->assertRedirect('/approvals/2');
        self::assertSame('withdrawn', DB::table('approval_answers')->where('request_id', 1)->value('answer'));
        $this->actingAs($this->reviewer)->post('/approvals/2/approve', ['key' => 'yes'])->assertSessionHas('done');
        self::assertSame([10_000, 10_001], DB::table('items')->where('kind', 'credit_note')->orderBy('id')->pluck('amount')->all());
        $this->assertBooksHold();
    }

    public function test_an_allowance_with_large_amounts_by_name_is_approved(): void
    {
        $rates = "group,bucket,rate\n,not_due,1\n,1-30,2\n,31-60,4\n,61-90,5\n,over_90,50\n";
        $this->import([
            'allowance_rates.csv' => $rates,
            'specific_allowances.csv' => "customer,document,amount,percent,reason,review\nC1,B,100.01,,insolvency opened,\n",
        ]);
        $this->get('/allowance')->assertSee('what is allowed for by name comes to 100.01')->assertSee('Ask for approval');
        $this->post('/runs/allowance', ['key' => 'p', 'seen' => '']);
        $this->refuses('A second person approves it first');
        $this->post('/runs/allowance/ask', ['key' => 'a', 'seen' => ''])->assertSessionHas('done');
        $this->actingAs($this->reviewer)->get('/')->assertSee('allowance', false);
        $this->post('/approvals/1/approve', ['key' => 'yes'])->assertRedirect('/allowance?as_of=2026-10-31&account=1100');
        self::assertSame(1, DB::table('runs')->count());
        $this->assertBooksHold();
    }
}
