<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** Balances that customers confirm to the auditor: drawn by a rule, written to, answered. */
final class ConfirmationsTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'customers.csv' => "customer,name,currency,email\nC1,Uno,EUR,uno@example.invalid\nC2,Dos,EUR,\n"
                ."C3,Tres,GBP,tres@example.invalid\n",
            'items.csv' => self::items([
                'I1,invoice,C1,2026-08-01,2026-09-01,EUR,100.00,100.00,,,,', 'I2,invoice,C2,2026-10-01,2026-11-01,EUR,50.00,50.00,,,,',
                'G1,invoice,C3,2026-08-01,2026-09-20,GBP,10.00,11.54,,,,', 'R1,receipt,C1,2026-10-10,,EUR,40.00,40.00,,,,',
            ]),
        ]);
        $this->actingAs($this->person());
    }

    private function refusal(): string
    {
        $says = session('refusal');

        return is_string($says) ? $says : '';
    }

    public function test_a_sample_is_drawn_sent_and_answered(): void
    {
        $this->get('/confirmations')->assertOk()->assertSee('Nobody is drawn yet');
        $form = ['rule' => 'largest', 'count' => '2', 'reply_to' => 'audit@example.invalid'];
        foreach ([[['rule' => 'moon'], 'by which rule'], [['count' => '0'], 'how many'], [['reply_to' => ' '], 'slip goes'],
            [['rule' => 'random'], 'seed'], [['rule' => 'over', 'over' => '9999'], 'nobody is drawn']] as $place => [$wrong, $says]) {
            $this->post('/confirmations', ['key' => "w{$place}", ...$form, ...$wrong]);
            self::assertStringContainsString($says, $this->refusal());
        }
        foreach ([1, 2] as $click) {
            $this->post('/confirmations', ['key' => 'd', ...$form])->assertRedirect('/confirmations?sample=1');
        }
        $this->get('/confirmations?sample=1')->assertSee('2 customers of 3, 110.00 of 121.54 EUR')->assertSee('no address: print it');
        self::assertStringStartsWith('%PDF', (string) $this->get('/confirmations/1.pdf')->assertOk()->getContent());
        foreach ([1, 2] as $click) {
            $this->post('/confirmations/1/send', ['key' => "s{$click}"])->assertRedirect();
            Artisan::call('ajuste:work', ['--once' => true]);
        }
        self::assertSame([['uno@example.invalid', 'Confirmation of your balance as of 2026-10-31']], DB::table('outbox')->get()
            ->map(static fn (object $of): array => [$of->recipient, $of->subject])->all(), 'nobody gets it twice');
        [$one, $two] = DB::table('confirmation_letters')->orderBy('id')->pluck('id')->all();
        $answer = ['sample' => 1, 'answer' => 'differs', 'states' => '45.00', 'side' => 'debit'];
        $this->post("/confirmations/letters/{$two}", ['key' => 'x', 'letter' => (string) $two, ...$answer, 'words' => ' ']);
        self::assertStringContainsString('by which documents', $this->refusal());
        $typed = (string) $this->get('/confirmations?sample=1')->getContent();
        self::assertSame(1, substr_count($typed, 'value="45.00"'), 'what was typed stays, at that letter alone');
        foreach ([1, 2] as $click) {
            $this->post("/confirmations/letters/{$one}", ['key' => 'a', 'sample' => 1, 'answer' => 'agrees'])->assertSessionHas('done');
            $this->post("/confirmations/letters/{$two}", ['key' => 'b', ...$answer, 'words' => 'a discount on I2'])
                ->assertSessionHas('done');
        }
        $this->get('/confirmations')->assertSee('2 answers')->assertSee('1 of them agree')->assertSee('differs by 5.00 Cr')
            ->assertSee('a discount on I2');
        $this->post("/confirmations/letters/{$two}", ['key' => 'c', ...$answer, 'states' => '50.00'])->assertSessionHas('done');
        $this->get('/confirmations')->assertSee('2 of them agree');
        $this->post('/confirmations/letters/99', ['key' => 'z', 'answer' => 'agrees']);
        self::assertStringContainsString('no such letter', $this->refusal());
        $this->assertBooksHold();
    }

    public function test_balances_are_those_of_the_day_in_base_currency(): void
    {
        $form = ['rule' => 'over', 'over' => '0', 'reply_to' => 'audit@example.invalid'];
        $this->post('/confirmations?as_of=2026-09-30', ['key' => 'd', ...$form])->assertSessionHas('done');
        self::assertSame([10_000, 1_154], DB::table('confirmation_letters')->orderBy('id')->pluck('balance')->all());
        $random = ['rule' => 'random', 'count' => '3', 'seed' => 'oak', 'reply_to' => 'a'];
        $this->post('/confirmations', ['key' => 'e', ...$random])->assertSessionHas('done');
        $this->get('/confirmations')->assertSee('3 at random by the seed “oak”');
    }
}
