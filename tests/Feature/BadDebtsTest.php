<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Settlement\PaymentWay;
use App\Actions\Receipts\KeepBatch;
use App\Actions\ReverseSettlement;
use App\Actions\Runs\PostRun;
use App\Models\User;
use App\Queries\AllowanceMovements;
use App\Values\TypedReceipt;
use Illuminate\Support\Facades\DB;

/** What will never be paid (R2, R13, R14): written off, approved where it is large, and recovered later. */
final class BadDebtsTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS."1190,Allowance,asset,allowance\n6900,Impairment,expense,impairment_loss\n"
                ."2300,Output tax,liability,output_tax\n",
            'settings.csv' => "name,value\nperiod,2026-10\napproval_limit,200.00\n",
            'items.csv' => self::items([
                'I1,invoice,C1,2026-05-01,2026-06-01,EUR,121.00,121.00,,,E1,',
                'I2,invoice,C1,2026-06-01,2026-07-01,EUR,1000.00,1000.00,,,E2,',
                'I3,invoice,C1,2026-06-05,2026-07-05,EUR,50.00,50.00,,,E3,',
            ]),
            'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\nI1,1,Oil,1,100.00,100.00,21,4000\n",
            'allowance_rates.csv' => "group,bucket,rate\n,over_90,0\n,not_due,0\n,1-30,0\n,31-60,0\n,61-90,0\n",
            'specific_allowances.csv' => "customer,document,amount,percent,reason\nC1,I1,60.00,,insolvent\nC1,,30.00,,insolvent\n",
            'ledger.csv' => self::ledger([
                'E1,2026-05-01,1100,s,121.00,,I1,', 'E2,2026-06-01,1100,s,1000.00,,I2,', 'E3,2026-06-05,1100,s,50.00,,I3,',
            ]),
        ]);
        $this->actingAs($this->person());
        app(PostRun::class)->post('allowance', RunKind::Allowance, $this->control(), '2026-10-31', '');
    }

    /**
     * @param array<string, mixed> $more
     * @return array<string, mixed>
     */
    private function typed(string $key, array $more): array
    {
        $typed = ['key' => $key, 'date' => '2026-10-31', 'ground' => 'insolvency', 'evidence' => 'court order 12/26', ...$more];
        $page = (string) $this->post('/customers/'.$this->customerId('C1').'/irrecoverable/rehearse', $typed)->assertOk()->getContent();
        preg_match('/name="seen" value="(\w*)"/', $page, $found);

        return [...$typed, 'seen' => $found[1] ?? ''];
    }

    /** @param  array<string, mixed>  $typed */
    private function send(array $typed): string
    {
        return (string) $this->post('/customers/'.$this->customerId('C1').'/irrecoverable', $typed)->headers->get('Location');
    }

    private function says(string $words): void
    {
        $says = session('refusal');
        self::assertStringContainsString($words, is_string($says) ? $says : '');
    }

    public function test_the_allowance_is_used_first_and_the_tax_comes_off_apart(): void
    {
        $this->get('/customers/'.$this->customerId('C1').'/irrecoverable')->assertOk()->assertSee('is set aside for this customer');
        $this->send($this->typed('a', ['tick' => [$this->itemId('I1')], 'tax' => '1', 'tax_on' => '2026-10-15']));
        // 121.00: tax 21.00, of the 100.00 that are left 60.00 are set aside for I1 and 30.00 for the customer.
        self::assertSame(['1190 9000', '6900 1000', '2300 2100', '1100 -12100'], $this->voucher());
        self::assertSame(0, $this->openOf('I1'));
        self::assertSame([['insolvency', 9_000, 1_000, 2_100, '2026-10-15']], DB::table('written_off')->get()->map(
            static fn (object $of): array => [$of->ground, $of->from_allowance, $of->cost, $of->tax, $of->tax_on],
        )->all());
        $this->send($this->typed('b', ['tick' => [$this->itemId('I3')], 'amount' => [$this->itemId('I3') => '20,00']]));
        self::assertSame(['6900 2000', '1100 -2000'], $this->voucher(), 'nothing is left of the allowance');
        self::assertSame(3_000, $this->openOf('I3'));
        $this->level1100();
        // R14: opening + charge − release − used ± exchange = closing.
        $movement = app(AllowanceMovements::class)->of('2026-10-31');
        self::assertSame(['0.00', '90.00', '0.00', '-90.00', '0.00'], [
            $movement->opening->decimal(), $movement->lines['charge']->decimal(), $movement->lines['release']->decimal(),
            $movement->lines['used']->decimal(), $movement->closing->decimal(),
        ]);
        $this->get('/allowance')->assertOk()->assertSee('Movement in October 2026')->assertSee('−90.00');
    }

    public function test_a_claim_settled_for_less_writes_off_the_rest_of_each_document(): void
    {
        $this->send(
            $this->typed('a', ['tick' => [$this->itemId('I1'), $this->itemId('I3')], 'ground' => 'composition', 'paid_percent' => '40']),
        );
        self::assertSame([4_840, 2_000], [$this->openOf('I1'), $this->openOf('I3')]);
        self::assertSame(['1190 7260', '1100 -7260', '1190 1740', '6900 1260', '1100 -3000'], $this->voucher());
        $this->level1100();
    }

    public function test_what_cannot_be(): void
    {
        $this->send($this->typed('a', ['tick' => [$this->itemId('I3')], 'tax' => '1', 'tax_on' => '2026-10-15']));
        $this->says('The lines of I3 are not in the books');
        $this->send($this->typed('b', ['tick' => [$this->itemId('I1')], 'tax' => '1', 'tax_on' => '2026-11-15']));
        $this->says('after the write-off');
        $this->send($this->typed('c', ['tick' => [$this->itemId('I1')], 'amount' => [$this->itemId('I1') => '121,01']]));
        $this->says('at most 121.00');
        $this->send($this->typed('d', ['tick' => []]));
        $this->says('Nothing is ticked');
        $this->send($this->typed('e', ['tick' => [$this->itemId('I1')], 'evidence' => ' ']));
        $this->says('what proves');
        $this->send($this->typed('f', ['tick' => [$this->itemId('I1')], 'paid_percent' => '140']));
        $this->says('percentage from 0 to 99');
        self::assertSame(12_100, $this->openOf('I1'));
    }

    public function test_above_the_limit_a_reviewer_approves_exactly_what_was_seen(): void
    {
        $at = $this->send($this->typed('a', ['tick' => [$this->itemId('I2')]]));
        self::assertStringEndsWith('/approvals/1', $at);
        self::assertSame(100_000, $this->openOf('I2'));
        $this->post('/approvals/1/approve', ['key' => 'own']);
        $this->says('A reviewer approves this');
        $this->post('/approvals/1/approve', ['key' => 'outside', 'outside' => 'letter of today']);
        $this->says('name no outside person');
        $this->actingAs($this->person('reviewer'));
        $this->get('/')->assertSee('asks for approval to');
        $this->get('/approvals/1')->assertOk()->assertSee('Approve and post');
        $this->import(['items.csv' => self::items(['R9,receipt,C1,2026-10-20,,EUR,400.00,400.00,,,E9,'])]);
        $this->match('C1', ['I2' => '400.00', 'R9' => ''], '2026-10-20');
        $this->get('/approvals/1')->assertOk()->assertSee('has changed since')->assertDontSee('Approve and post');
        $this->post('/approvals/1/approve', ['key' => 'changed']);
        $this->says('has changed');
        $this->post('/approvals/1/send-back', ['key' => 's', 'words' => 'a part was paid']);
        $this->get('/approvals')->assertSee('a part was paid');
        $this->actingAs(User::query()->firstOrFail());
        $this->send($this->typed('b', ['tick' => [$this->itemId('I2')]]));
        $this->actingAs(User::query()->where('role', 'reviewer')->firstOrFail());
        $this->post('/approvals/2/approve', ['key' => 'yes'])->assertRedirect('/approvals');
        self::assertSame(0, $this->openOf('I2'));
        self::assertSame('approved', DB::table('approval_answers')->where('request_id', 2)->value('answer'));
        $this->post('/approvals/2/approve', ['key' => 'again']);
        $this->says('has answered this request already');
        $this->assertBooksHold();
    }

    public function test_a_recovery_writes_the_debt_back_with_its_tax_and_the_receipt_is_matched_with_it(): void
    {
        $this->send($this->typed('a', ['tick' => [$this->itemId('I1')], 'tax' => '1', 'tax_on' => '2026-10-15']));
        $lost = (int) DB::table('written_off')->value('item_id');
        $this->post("/written-off/{$lost}/recover", ['key' => 'r', 'amount' => '60.50', 'date' => '2026-10-31']);
        self::assertSame(['1100 6050', '6900 -5000', '2300 -1050'], $this->voucher());
        $this->post("/written-off/{$lost}/recover", ['key' => 'r2', 'amount' => '60.51', 'date' => '2026-10-31']);
        $this->says('at most 60.50');
        $this->post("/written-off/{$lost}/recover", ['key' => 'r3', 'date' => '2026-10-31']);
        self::assertSame(['1100 6050', '6900 -5000', '2300 -1050'], $this->voucher());
        $this->import([
            'items.csv' => self::items(['R1,receipt,C1,2026-10-31,,EUR,60.50,60.50,,,E8,']),
            'ledger.csv' => self::ledger(['E8,2026-10-31,1100,s,,60.50,R1,']),
        ]);
        $this->match('C1', ['I1-R' => '', 'R1' => ''], '2026-10-31');
        $this->assertBooksHold();
        app(ReverseSettlement::class)->post('back', (int) DB::table('settlements')->min('id'), '2026-11-07', 'it pays in full');
        self::assertSame(12_100, $this->openOf('I1', 'invoice'));
        $this->assertBooksHold();
    }

    /** A share of what was written off comes in: the receipts station names it, whatever sum it is. */
    public function test_a_receipt_of_another_sum_is_shown_what_was_written_off(): void
    {
        $this->send($this->typed('a', ['tick' => [$this->itemId('I1')], 'tax' => '1', 'tax_on' => '2026-10-15']));
        $type = fn (string $key, string $amount, string $text): int => app(KeepBatch::class)->type($key, null, new TypedReceipt(
            PaymentWay::Cash, null, '2026-10-30', $this->customerId('C1'), self::money($amount), '', $text,
        ));
        $named = $type('t1', '25.00', 'share of I1');
        $other = $type('t2', '7.00', 'with thanks');
        $page = (string) $this->get("/receipts?line={$named}")->assertOk()->getContent();
        self::assertMatchesRegularExpression('/<details[^>]* open[^>]*>\s*<summary[^>]*>Written off before/', $page, 'it is quoted');
        self::assertStringContainsString('value="25.00"', $page);
        $page = (string) $this->get("/receipts?line={$other}")->assertOk()->assertSee('Written off before')->getContent();
        self::assertDoesNotMatchRegularExpression('/<details[^>]* open[^>]*>\s*<summary[^>]*>Written off before/', $page);
    }

    private function level1100(): void
    {
        self::assertSame('0.00', $this->report('proof')['difference']);
        $this->assertBooksHold();
    }
}
