<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Support\KeptFiles;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/** Notes with files and links, and the history of a document in words. */
final class NotesTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'items.csv' => self::items([
                'F1,invoice,C1,2026-10-05,2026-11-05,EUR,100.00,100.00,,,,',
                'R1,receipt,C1,2026-10-10,2026-10-10,EUR,60.00,60.00,,,,',
            ]),
            'ledger.csv' => self::ledger(['E1,2026-10-05,1100,sale,90.00,,F1,', 'P1,2026-10-10,1100,receipt,,60.00,R1,']),
        ]);
        $this->actingAs($this->person());
    }

    public function test_a_note_with_file_and_link_is_kept_and_struck_out_never_deleted(): void
    {
        $item = $this->itemId('F1');
        $hostile = UploadedFile::fake()->createWithContent('../<script>.html', '<script>alert(1)</script>');
        $this->post('/notes', ['key' => 'a', 'subject' => "item {$item}", 'text' => '', 'link' => ''])->assertSessionHas('refusal');
        $this->post('/notes', [
            'key' => 'a',
            'subject' => "item {$item}",
            'text' => 'x',
            'link' => 'javascript:alert(1)',
        ])->assertSessionHas('refusal');
        $this->post('/notes', ['key' => 'a', 'subject' => 'the moon', 'text' => 'x'])->assertSessionHas('refusal');
        $this->post('/notes', ['key' => 'a', 'subject' => "item {$item}", 'text' => str_repeat('y', 5_000)])->assertSessionHas('refusal');
        foreach ([1, 2] as $click) {
            $this->post('/notes', [
                'key' => 'b',
                'subject' => "item {$item}",
                'text' => '<b>Called</b> on Friday',
                'link' => 'https://example.invalid/proof?a=1&b=2',
                'file' => $hostile,
            ])->assertSessionHas('done');
        }
        self::assertSame(1, DB::table('notes')->count());
        $this->get("/documents/{$item}")
            ->assertOk()
            ->assertSee('&lt;b&gt;Called&lt;/b&gt; on Friday', false)
            ->assertSee('https://example.invalid/proof?a=1&amp;b=2', false);
        $file = $this->get('/notes/1/file')->assertOk();
        self::assertSame('application/octet-stream', $file->headers->get('Content-Type'));
        self::assertStringStartsWith('attachment;', (string) $file->headers->get('Content-Disposition'));
        $this->assertBooksHold();
        File::append(KeptFiles::path((string) DB::table('notes')->value('file_sha256')), 'x');
        self::assertStringContainsString('is not kept as it was attached', implode(' ', app(\App\Queries\Verification::class)->faults()));
        $this->post('/notes/1/strike', ['key' => 'c'])->assertSessionHas('done');
        $this->get("/documents/{$item}")->assertDontSee('example.invalid/proof');
        self::assertSame(1, DB::table('notes')->count());
    }

    public function test_a_note_on_a_cause_stands_on_the_paper_and_in_the_export(): void
    {
        $account = (int) DB::table('accounts')->where('account', '1100')->value('id');
        $page = (string) $this->get('/proof')->assertOk()->getContent();
        self::assertSame(1, preg_match('/name="subject" value="(cause [^"]+)"/', $page, $subject));
        self::assertStringStartsWith("cause {$account} amount_differs", $subject[1] ?? '');
        $this->post('/notes', ['key' => 'a', 'subject' => $subject[1] ?? '', 'text' => 'asked the warehouse'])->assertSessionHas('done');
        $this->get('/proof')->assertSee('asked the warehouse');
        self::assertStringContainsString('asked the warehouse', (string) $this->get('/proof.csv')->getContent());
        self::assertStringStartsWith('%PDF-', (string) $this->get('/proof/statement.pdf')->getContent());
    }

    public function test_the_history_tells_in_words_what_happened(): void
    {
        $settlement = $this->match('C1', ['F1' => '60.00', 'R1' => '']);
        $this->post("/matches/{$settlement}/reverse", [
            'key' => 'r',
            'date' => '2026-10-20',
            'reason' => 'wrong invoice',
        ])->assertSessionHas('done');
        $this->get('/documents/'.$this->itemId('F1'))
            ->assertOk()
            ->assertSee('Came in with items.csv, row 2')
            ->assertSee('Matched 60.00 EUR with receipt R1, effective 2026-10-10')
            ->assertSee('Match of 60.00 EUR with receipt R1 reversed as of 2026-10-20: wrong invoice');
    }

    public function test_the_customers_page_shows_age_loose_and_notes(): void
    {
        $customer = $this->customerId('C1');
        $this->post('/notes', ['key' => 'a', 'subject' => "customer {$customer}", 'text' => 'pays on the fifth'])->assertSessionHas('done');
        $this->get("/customers/{$customer}")
            ->assertOk()
            ->assertSee('pays on the fifth')
            ->assertSee('not due: 100.00')
            ->assertSee('unapplied −60.00');
    }
}
