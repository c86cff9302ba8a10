<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Queries\Questions;
use App\Queries\Reports;
use Illuminate\Support\Facades\DB;

/** A question about an item, a customer, a supplier or a cause: asked once, on the desk until it is answered. */
final class QuestionsTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'items.csv' => self::items(['F1,invoice,C1,2026-10-05,2026-11-05,EUR,100.00,100.00,,,,']),
            'suppliers.csv' => "supplier,name,currency\nS1,Olivar,EUR\n",
            'ledger.csv' => self::ledger(['E1,2026-10-05,1100,sale,90.00,,F1,']),
        ]);
        $this->actingAs($this->person());
    }

    private function refuses(string $words): void
    {
        $says = session('refusal');
        self::assertStringContainsString($words, is_string($says) ? $says : '');
    }

    public function test_it_stands_on_the_desk_until_it_is_answered(): void
    {
        $item = $this->itemId('F1');
        $ask = ['subject' => "item {$item}", 'text' => 'Why 90.00 in the ledger?', 'to' => 'the sales desk', 'by' => '2026-11-06'];
        foreach ([1, 2] as $click) {
            $this->post('/questions', ['key' => 'a', ...$ask])->assertSessionHas('done');
        }
        $this->get('/')->assertSee('Why 90.00 in the ledger?')->assertSee('by 6 Nov 2026')->assertSee("/documents/{$item}", false);
        $this->get("/documents/{$item}")->assertSee('asks the sales desk');
        $this->get('/sign-off')->assertSee('Every question is answered')->assertSee('1 open');
        $this->post('/questions/1/answer', ['key' => 'b', 'answer' => ' ']);
        $this->refuses('Type the answer');
        $this->post('/questions/1/answer', ['key' => 'c', 'answer' => 'a typing slip'])->assertSessionHas('done');
        $this->post('/questions/1/answer', ['key' => 'd', 'answer' => 'another']);
        $this->refuses('answered already');
        $this->get("/documents/{$item}")->assertSee('a typing slip');
        $this->get('/')->assertDontSee('by 6 Nov 2026');
        self::assertSame([null], array_column(Questions::knownAt((string) DB::table('questions')->value('recorded_at')), 'answer'));
        $this->assertBooksHold();
    }

    public function test_one_with_an_address_is_sent_as_a_message(): void
    {
        $ask = ['subject' => "item {$this->itemId('F1')}", 'text' => 'Why 90.00?', 'by' => '2026-11-06'];
        $this->post('/questions', ['key' => 'a', ...$ask, 'to' => 'Sales desk'])->assertSessionHas('done');
        self::assertSame(0, DB::table('outbox')->count());
        foreach ([1, 2] as $click) {
            $this->post('/questions', ['key' => 'b', ...$ask, 'to' => ' sales@example.invalid '])->assertSessionHas('done');
        }
        self::assertSame([['sales@example.invalid', 'Question 2, by 2026-11-06']], DB::table('outbox')->get()
            ->map(static fn (object $of): array => [$of->recipient, $of->subject])->all());
        $this->get('/outbox')->assertSee('Question 2');
    }

    public function test_what_it_lacks_is_said_and_what_was_typed_stays(): void
    {
        $customer = $this->customerId('C1');
        $ask = ['subject' => "customer {$customer}", 'text' => 'Who signs?', 'to' => 'Uno', 'by' => '2026-11-06'];
        foreach ([
            [['text' => ''], 'Type the question'], [['to' => ' '], 'whom you ask'], [['by' => 'soon'], 'not a date'],
            [['subject' => 'the moon'], 'what it is about'],
        ] as $place => [$wrong, $says]) {
            $this->post('/questions', ['key' => "w{$place}", ...$ask, ...$wrong]);
            $this->refuses($says);
        }
        $this->post('/questions/9/answer', ['key' => 'x', 'answer' => 'y']);
        $this->refuses('no such question');
        self::assertSame(0, DB::table('questions')->count());
    }

    public function test_suppliers_and_causes_carry_notes_and_questions_too(): void
    {
        $supplier = DB::table('suppliers')->value('id');
        $this->post(
            '/notes',
            ['key' => 'n', 'subject' => "supplier {$supplier}", 'text' => 'the agreement is in the safe'],
        )->assertSessionHas('done');
        $this->get("/suppliers/{$supplier}")->assertSee('the agreement is in the safe');
        $cause = app(Reports::class)->proof($this->control(), '2026-10-31')->lines[0]->key();
        $subject = "cause {$this->control()->id} {$cause}";
        $this->post(
            '/questions',
            ['key' => 'q', 'subject' => $subject, 'text' => 'Slip?', 'to' => 'Dos', 'by' => '2026-11-06'],
        )->assertSessionHas('done');
        $this->get("/proof?line={$cause}")->assertSee('Slip?');
        $this->get('/')->assertSee('/proof?account=1100', false);
    }
}
