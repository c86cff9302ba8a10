<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Middleware\PlainInput;
use App\Models\PeopleFile;
use App\Queries\Verification;
use App\Support\DemoBooks;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use PDO;
use PHPUnit\Framework\Attributes\DataProvider;

final class PagesTest extends BooksTestCase
{
    private const EVIL = '<script>alert(1)</script>';

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'customers.csv' => self::CUSTOMERS.'C4,"'.self::EVIL."\",EUR\n",
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-01,2026-10-31,EUR,100.00,100.00,,,,',
                'R,receipt,C1,2026-10-05,,EUR,130.00,130.00,,,,',
                self::EVIL.',invoice,C4,2026-10-05,2026-10-06,EUR,5.00,5.00,,=cmd(),,',
                'G,invoice,C3,2026-09-01,2026-10-01,GBP,8000.00,9232.00,,,,',
                'S,receipt,C3,2026-10-12,,GBP,8000.00,9288.00,,,,',
            ]),
            'suppliers.csv' => "supplier,name,currency\nS1,\"".self::EVIL."\",EUR\n",
            'ledger.csv' => self::ledger([
                'E1,2026-10-01,1100,"'.self::EVIL.'",100.00,,A,',
                'E3,2026-10-05,1100,s,,103.00,R,',
                'E4,2026-09-01,1100,s,9232.00,,G,',
                'E5,2026-10-12,1100,s,,9288.00,S,',
            ]),
        ]);
    }

    /** @return iterable<string, array{string}> */
    public static function pages(): iterable
    {
        foreach (
            [
                '/',
                '/receipts',
                '/receipts?line=1&payer=Uno',
                '/receipts/placed',
                '/proof/source',
                '/proof/pairs?by=document_and_amount',
                '/proof/pairs?by=x',
                '/proof/unseen',
                '/proof?span=year',
                '/find',
                '/find?amount=100,00&span=all',
                '/find?amount=-5',
                '/pair-check',
                '/trial-balance',
                '/clearing',
                '/batches',
                '/deposits',
                '/direct-debits',
                '/direct-debits?day=2026-11-30',
                '/mandates',
                '/bank',
                '/refunds',
                '/settings',
                '/outbox',
                '/intake',
                '/intake/imports/1',
                '/proof',
                '/proof?cause=amount_transposed',
                '/proof?day=2026-10-05',
                '/proof.csv',
                '/proof.xlsx',
                '/unapplied',
                '/unapplied/run',
                '/unapplied?customer=1',
                '/credit-balances',
                '/residues',
                '/currency',
                '/allowance',
                '/approvals',
                '/currency/results',
                '/aged?by=document&compare=2026-09-30',
                '/aged?compare=2026-09-30',
                '/late-news',
                '/statements',
                '/aged/cash-after',
                '/policies',
                '/policies?of=residue_limit',
                '/agreements',
                '/suppliers',
                '/suppliers/1',
                '/rates',
                '/sign-off',
                '/movement',
                '/movement?from=2026-09-01',
                '/measures',
                '/people',
                '/me',
                '/contra',
                '/aged',
                '/aged?basis=document&credits=oldest_first&buckets=15,45',
                '/aged?credits=own_date',
                '/aged.csv',
                '/aged.xlsx',
                '/aged/1',
                '/aged/4?column=1-30&currency=EUR',
                '/journals',
                '/trail',
                '/documents/1',
                '/documents/3',
                '/postings/1',
                '/customers/1',
                '/customers/4',
                '/accounts/1100',
                '/accounts/1100?day=2026-10-05',
                '/search?q=A',
                '/search?q=100.00',
                '/search?q=%27%22%25_',
                '/search?q=',
                '/?as_of=2026-10-03',
                '/proof?as_of=2026-09-30&known_at=2026-01-01',
                '/aged?known_at=2030-01-01 12:00',
                '/proof?account=2170',
                '/aged?account=1120',
            ] as $page
        ) {
            yield $page => [$page];
        }
    }

    #[DataProvider('pages')]
    public function test_every_page_opens_for_a_reader_and_escapes_what_files_brought(string $page): void
    {
        $this->get($page)->assertRedirect('/sign-in');
        $response = $this->actingAs($this->person('reader'))->get($page)->assertOk();
        self::assertStringContainsString("script-src 'self';", (string) $response->headers->get('Content-Security-Policy'));
        if (! str_contains($page, '.csv') && ! str_contains($page, '.xlsx')) {
            self::assertStringNotContainsString(self::EVIL, (string) $response->getContent());
            $response->assertSee('id="proofline"', false);
        }
    }

    public function test_who_is_found_while_one_types_is_a_part_of_a_page(): void
    {
        $this->get('/receipts/payers?line=1&payer=c')->assertRedirect('/sign-in');
        $this->actingAs($this->person('reader'));
        $hits = $this->get('/receipts/payers?line=7&payer=C4')->assertOk();
        $hits->assertSee('by number')->assertSee('line=7&customer=')->assertDontSee('<html');
        $this->get('/receipts/payers?line=7&payer=')->assertOk()->assertDontSee('customer=');
    }

    public function test_exports_hold_no_formula(): void
    {
        DB::table('customers')
            ->where('customer', 'C4')
            ->update(['name' => '=HYPERLINK("x")']);
        $csv = (string) $this->actingAs($this->person('reader'))->get('/aged.csv')->getContent();
        self::assertStringContainsString("\"'=HYPERLINK(\"\"x\"\")\"", $csv);
        self::assertStringContainsString("control account 1100,as of 2026-10-31,,,,,,,,-59.00\n", $csv);
    }

    public function test_a_table_is_exported_as_it_is_shown(): void
    {
        $rows = json_encode([['Customer', 'Total', 'Note'], ['=cmd()', '−1,234.50', '·'], ['Uno', '12.00', '']]);
        $this->actingAs($this->person('reader'));
        self::assertSame(
            "Customer,Total,Note\n'=cmd(),-1234.50,\nUno,12.00,\n",
            $this->post('/table.csv', ['rows' => $rows, 'name' => 'aged'])
                ->assertOk()
                ->getContent(),
        );
        self::assertStringStartsWith(
            'PK',
            (string) $this->post('/table.xlsx', ['rows' => $rows])
                ->assertOk()
                ->getContent(),
        );
        foreach (['', '[]', '{', '[[[1]]]', '"x"', '[["a"],[{"b":1}]]'] as $odd) {
            self::assertLessThan(500, $this->post('/table.xlsx', ['rows' => $odd])->getStatusCode(), $odd);
        }
    }

    public function test_signing_in_is_throttled_and_out_ends_it(): void
    {
        $this->personWithPassword();
        DemoBooks::mark();
        $this->post('/sign-in', ['email' => 'preparer@example.invalid', 'password' => 'olive-press'])->assertRedirect('/');
        $this->post('/sign-out')->assertRedirect('/sign-in');
        $this->assertGuest();
        for ($try = 0; $try < 5; $try++) {
            $this->post('/sign-in', ['email' => 'preparer@example.invalid', 'password' => 'wrong'])->assertSessionHasErrors([
                'email' => 'This address and password do not belong together.',
            ]);
        }
        $this->post('/sign-in', ['email' => 'preparer@example.invalid', 'password' => 'olive-press'])->assertSessionHasErrors('email');
        $this->assertGuest();
        self::assertStringStartsWith('$2y$', (string) PeopleFile::open()->table('people')->value('password'));
    }

    public function test_a_session_that_ends_in_the_middle_loses_nothing_typed(): void
    {
        DemoBooks::mark();
        $this->personWithPassword();
        $customer = $this->customerId('C1');
        $page = "http://127.0.0.1/unapplied?customer={$customer}";
        $form = ['date' => '2026-10-30', 'tick' => [7 => '1'], 'amount' => [7 => '12,50'], 'key' => 'k', '_token' => 'old'];
        $this->from($page)->post("/unapplied/{$customer}", $form)->assertRedirect('/sign-in');
        $this->get('/sign-in')->assertOk();
        $this->post('/sign-in', ['email' => 'preparer@example.invalid', 'password' => 'olive-press'])->assertRedirect($page);
        self::assertSame(['date' => '2026-10-30', 'tick' => [7 => '1'], 'amount' => [7 => '12,50']], session()->getOldInput());
        self::assertStringContainsString('what you typed is here again', (string) session('refusal'));
        $this->get($page)->assertOk();
        $this->post('/sign-out');
        // Never to another host.
        $this->from('http://elsewhere.invalid/x')->post("/unapplied/{$customer}", $form)->assertRedirect('/sign-in');
        $this->post('/sign-in', ['email' => 'preparer@example.invalid', 'password' => 'olive-press'])->assertRedirect('/');
    }

    public function test_a_part_of_a_page_is_never_answered_with_a_page_inside_it(): void
    {
        $customer = $this->customerId('C1');
        $part = ['HX-Request' => 'true', 'HX-Current-URL' => "http://127.0.0.1/unapplied?customer={$customer}"];
        $this->post("/unapplied/{$customer}/rehearse", [], $part)
            ->assertOk()
            ->assertHeader('HX-Redirect', url('/sign-in'));
        self::assertSame($part['HX-Current-URL'], session('url.intended'));
        $this->actingAs($this->person());
        $this->post('/unapplied/99999/rehearse', [], $part)->assertHeader('HX-Retarget', 'body');
        $this->get('/unapplied?as_of=soon', $part)->assertStatus(422)->assertHeader('HX-Retarget', 'body');
        $this->post("/unapplied/{$customer}/rehearse", [], $part)->assertOk()->assertHeaderMissing('HX-Retarget');
        $this->get('/unapplied', [...$part, 'HX-Boosted' => 'true'])->assertOk()->assertHeaderMissing('HX-Retarget');
        $this->get('/unapplied', [...$part, 'HX-Target' => 'worktop'])->assertOk()->assertHeaderMissing('HX-Retarget');
    }

    public function test_a_match_is_rehearsed_posted_once_and_reversed(): void
    {
        $customer = $this->customerId('C1');
        [$a, $r] = [$this->itemId('A'), $this->itemId('R')];
        $this->actingAs($this->person());
        $form = ['tick' => [$a => '1', $r => '1'], 'amount' => [$a => '', $r => '']];
        $rehearsal = (string) $this->post("/unapplied/{$customer}/rehearse", $form)
            ->assertOk()
            ->assertSee('Post 100.00 and next')
            ->getContent();
        self::assertSame(0, DB::table('matches')->count());
        preg_match('/name="seen" value="(\w{64})"/', $rehearsal, $seen);
        foreach ([1, 2] as $click) {
            $this->post("/unapplied/{$customer}", [...$form, 'key' => 'one', 'seen' => $seen[1]])->assertRedirect();
            self::assertSame(1, DB::table('settlements')->count(), "click {$click}");
        }
        $this->get('/matches/1')->assertOk()->assertSee('Reverse match 1');
        $this->post('/matches/1/reverse', ['key' => 'x', 'date' => '2026-10-31', 'reason' => ''])->assertSessionHas('refusal');
        $this->post('/matches/1/reverse', ['key' => 'y', 'date' => '2026-10-31', 'reason' => 'wrong invoice'])->assertSessionHas('done');
        $this->get("/documents/{$a}")
            ->assertOk()
            ->assertSee('reversed 31 Oct 2026')
            ->assertSee('wrong invoice');
    }

    public function test_a_refused_match_loses_nothing_from_the_form(): void
    {
        $customer = $this->customerId('C1');
        [$a, $r] = [$this->itemId('A'), $this->itemId('R')];
        $this->actingAs($this->person());
        foreach (['-5', '(5)', '100.01', '1.234', 'abc', '5x'] as $typed) {
            $this->from('/unapplied')
                ->post("/unapplied/{$customer}", [
                    'key' => 'k'.md5($typed),
                    'tick' => [$a => '1', $r => '1'],
                    'amount' => [$a => $typed, $r => ''],
                    'date' => '2026-10-09',
                ])
                ->assertRedirect('/unapplied')
                ->assertSessionHas('refusal');
            $this->get("/unapplied?customer={$customer}")
                ->assertOk()
                ->assertSee('value="'.e($typed).'"', false)
                ->assertSee('value="2026-10-09"', false);
        }
        foreach (
            [
                ['tick' => 'x'],
                ['tick' => [[1]], 'amount' => [['a']]],
                ['tick' => [999999 => 1]],
                ['tick' => [$a => 1, $r => 1], 'date' => 'soon'],
                ['key' => '', 'tick' => [$a => 1, $r => 1]],
                [],
            ] as $odd
        ) {
            $this->post("/unapplied/{$customer}", ['key' => 'odd', ...$odd])->assertSessionHas('refusal');
            self::assertLessThan(500, $this->post("/unapplied/{$customer}/rehearse", $odd)->getStatusCode());
        }
        self::assertSame(0, DB::table('matches')->count());
    }

    public function test_credit_balances_on_the_page(): void
    {
        $this->actingAs($this->person());
        $this->get('/credit-balances')->assertOk()->assertSee('86.00');
        $this->post('/runs/credit-balances', ['key' => 'a'])->assertSessionHas('done');
        $this->post('/runs/credit-balances', ['key' => 'a'])->assertSessionHas('done');
        self::assertSame(1, DB::table('runs')->count());
        $this->get('/credit-balances')->assertSee('Run 1 presents exactly these credits.');
        $this->post('/runs/credit-balances/1/reverse', ['key' => 'b', 'reason' => 'not yet'])->assertSessionHas('done');
        $this->get('/credit-balances')->assertSee('taken back: not yet');
    }

    private function upload(string $name, string $content): string
    {
        return (string) $this->post('/intake', ['files' => [UploadedFile::fake()->createWithContent($name, $content)]])->headers->get(
            'Location',
        );
    }

    public function test_a_total_that_came_with_a_file_is_compared_with_its_rows(): void
    {
        $this->actingAs($this->person());
        $waiting = $this->upload('items.csv', self::items([
            'N,invoice,C2,2026-10-07,2026-11-07,EUR,12.00,12.00,,,,', 'M,invoice,C9,2026-10-07,2026-11-07,EUR,3.00,3.00,,,,',
        ]));
        $this->get($waiting)->assertSee('A total came with a file');
        foreach ([1, 2] as $click) {
            $this->post("{$waiting}/declared", ['file' => 'items.csv', 'total' => '15,00'])->assertRedirect($waiting);
        }
        $this->get($waiting)->assertSee('declared 15.00: agrees with debits'); // the refused row counts too
        $this->post("{$waiting}/declared", ['file' => 'items.csv', 'total' => '16'])->assertRedirect($waiting);
        $this->get($waiting)->assertSee('differs')->assertSee('debits of the file are less by 1.00');
        foreach ([['total' => '-15.00'], ['total' => 'much'], ['file' => 'other.csv']] as $wrong) {
            $this->post("{$waiting}/declared", ['file' => 'items.csv', 'total' => '9', ...$wrong]);
            $this->get($waiting)->assertSee('less by 1.00')->assertSee('value="'.($wrong['total'] ?? '9').'"', false);
        }
        $this->post("{$waiting}/commit", ['set_aside' => '1'])->assertSessionHas('done');
        self::assertSame(1, DB::table('audit_records')->where('what', 'declared totals')->count());
        self::assertSame([], app(Verification::class)->faults());
    }

    public function test_files_are_looked_at_before_they_are_taken_in_and_once(): void
    {
        $this->actingAs($this->person());
        $waiting = $this->upload('items.csv', self::items(['N,invoice,C2,2026-10-07,2026-11-07,EUR,12.00,12.00,,,,']));
        $this->get($waiting)->assertOk()->assertSee('Take in 1 file');
        self::assertSame(0, DB::table('items')->where('document', 'N')->count());
        $first = $this->post("{$waiting}/commit")->headers->get('Location');
        self::assertSame($first, $this->post("{$waiting}/commit")->headers->get('Location'));
        self::assertSame(1, DB::table('items')->where('document', 'N')->count());
        $file = (int) DB::table('import_files')->max('id');
        self::assertSame(
            self::items(['N,invoice,C2,2026-10-07,2026-11-07,EUR,12.00,12.00,,,,']),
            $this->get("/intake/files/{$file}")
                ->assertOk()
                ->streamedContent(),
        );
        $this->assertBooksHold();
    }

    public function test_a_foreign_shape_is_mapped_by_a_person_and_remembered(): void
    {
        $this->actingAs($this->person());
        $csv = static fn (string $document): string => "No.;Wer;Am;Wieviel\n{$document};C2;05/06/2026;\"1.234,56\"\n";
        $waiting = $this->upload('export.csv', $csv('X1'));
        $this->get($waiting)->assertOk()->assertSee('say how')->assertDontSee('The books have all of this already');
        $this->post("{$waiting}/mapping", [
            'file' => 'export.csv',
            'kind' => 'items',
            'header_row' => '1',
            'dates' => 'dmy',
            'decimal_mark' => ',',
            'columns' => ['document' => '0', 'customer' => '1', 'date' => '2', 'due_date' => '2', 'amount' => '3', 'base_amount' => '3'],
            'fixed' => ['kind' => 'invoice', 'currency' => 'EUR'],
        ])->assertRedirect($waiting);
        $this->get($waiting)->assertOk()->assertSee('Take in 1 file');
        $this->post("{$waiting}/commit");
        self::assertSame(
            ['2026-06-05', 123456],
            array_values(
                (array) DB::table('items')
                    ->where('document', 'X1')
                    ->first(['date', 'amount']),
            ),
        );
        // The next file of this shape needs nobody.
        $this->get($this->upload('november.csv', $csv('X2')))->assertOk()->assertSee('Take in 1 file')->assertDontSee('say how');
    }

    public function test_rows_are_set_aside_and_closed_with_a_reason(): void
    {
        $this->actingAs($this->person());
        $waiting = $this->upload(
            'items.csv',
            self::items([
                'N,invoice,C2,2026-10-07,2026-11-07,EUR,12.00,12.00,,,,',
                'M,invoice,C9,2026-10-07,2026-11-07,EUR,12.00,12.00,,,,',
            ]),
        );
        $this->get($waiting)->assertSee('Set 1 row aside and take in the rest')->assertSee('a customer of customers.csv is expected');
        $this->post("{$waiting}/commit")->assertSessionHas('refusal');
        $this->post("{$waiting}/commit", ['set_aside' => '1'])->assertRedirect('/intake/imports/2');
        $this->get('/')->assertSee('1 row aside');
        $this->post('/intake/rows/1/close', ['reason' => ''])->assertSessionHas('refusal');
        $this->post('/intake/rows/1/close', ['reason' => 'sent back to sales'])->assertSessionHas('done');
        $this->get('/')->assertDontSee('row aside');
    }

    public function test_hostile_uploads_get_a_clear_message(): void
    {
        $this->actingAs($this->person());
        $before = DB::table('items')->count();
        foreach (['evil.php' => '<?php echo 1;', 'zip.zip' => 'no', 'x.exe' => 'MZ'] as $name => $content) {
            $this->from('/intake')
                ->post('/intake', ['files' => [UploadedFile::fake()->createWithContent($name, $content)]])
                ->assertRedirect('/intake')
                ->assertSessionHas('refusal');
        }
        foreach (
            [
                'items.csv' => '',
                'ledger.csv' => random_bytes(5000),
                'matches.csv' => str_repeat("a,b\n", 2000),
                'items.xlsx' => 'PK broken',
                '..items.csv' => self::items(['N,invoice,C1,2026-10-07,2026-11-07,EUR,12.00']),
            ] as $name => $content
        ) {
            $this->get($this->upload($name, $content))->assertOk()->assertDontSee('Take in 1 file');
        }
        $this->post('/intake', ['files' => 'none'])->assertSessionHas('refusal');
        $this->get('/intake/hand-in/../../etc')->assertNotFound();
        $this->get('/intake/hand-in/'.str_repeat('0', 32))
            ->assertStatus(422)
            ->assertSee('no longer waiting');
        self::assertSame($before, DB::table('items')->count());
    }

    public function test_odd_dates_in_the_address_are_refused_politely(): void
    {
        $this->actingAs($this->person());
        foreach (
            [
                '/proof?as_of=31.10.2026',
                '/aged?as_of=2026-02-30',
                '/aged?known_at=yesterday',
                '/aged?basis=age',
                '/aged?buckets=x',
                '/aged?credits=1',
                '/proof?account=77',
                '/proof?day=x',
            ] as $page
        ) {
            self::assertContains($this->get($page)->getStatusCode(), [422], $page);
            $this->get('/?as_of=&known_at=&account=')->assertOk();
        }
        $this->get('/aged?basis[]=x&as_of[]=1')->assertOk();
        $this->get('/documents/999')->assertNotFound();
        $this->get('/accounts/nope')->assertNotFound();
    }

    public function test_who_meets_a_long_import_is_told_and_loses_nothing(): void
    {
        $this->actingAs($this->person());
        DB::statement('PRAGMA busy_timeout = 50');
        $other = new PDO("sqlite:{$this->folder}/books.sqlite");
        $other->exec('BEGIN IMMEDIATE');
        $this->post('/runs/credit-balances', ['key' => 'busy'])->assertSessionHas(
            'refusal',
            static fn (string $message): bool => str_contains($message, 'try again in a minute'),
        );
        $this->get('/proof')->assertOk();
        $other->exec('ROLLBACK');
        $this->post('/runs/credit-balances', ['key' => 'busy'])->assertSessionHas('done');
    }

    public function test_empty_books_point_to_intake(): void
    {
        DB::table('accounts')->update(['role' => null]);
        $this->actingAs($this->person());
        $this->get('/')->assertOk()->assertSee('Four steps lead to an aged list that ties');
        $this->get('/intake')->assertOk();
        $this->get('/proof')->assertStatus(422);
    }

    public function test_an_earlier_knowledge_is_said_on_every_page_with_one_way_back(): void
    {
        $this->actingAs($this->person());
        $this->get('/aged')->assertDontSee('what was known on');
        $this->get('/aged?known_at=2026-11-02+17:30')->assertSee('You look at what was known on 2 Nov 2026');
        $this->get('/proof')->assertSee('You look at what was known on')->assertSee('Back to what is known now');
        $this->get('/proof?known_at=')->assertDontSee('what was known on');
        $this->get('/aged')->assertDontSee('what was known on');
    }

    public function test_a_long_list_of_causes_comes_in_parts(): void
    {
        $rows = array_map(
            static fn (int $n): string => "L{$n},invoice,C1,2026-10-05,2026-10-05,EUR,".(100 + $n).'.00,'.(100 + $n).'.00,,,,',
            range(1, 620),
        );
        $this->importBasics(['items.csv' => self::items($rows)]);
        $this->actingAs($this->person());
        $this->get('/proof')->assertOk()->assertSee('472 more')->assertDontSee('L620');
        $part = $this->get('/proof?from=560', ['HX-Request' => 'true'])
            ->assertOk()
            ->assertSee('L620')
            ->assertDontSee('<html', false)
            ->assertDontSee(' more<', false);
        self::assertSame(62, substr_count((string) $part->getContent(), '<tr '));
        $this->get('/proof?from=560')->assertSee('<html', false)->assertSee('L620');
        // Filtered, sorted and taken whole where the list is whole, not among the rows that a page happens to have.
        $rows = fn (string $asked) => $this->get("/proof?{$asked}", ['HX-Request' => 'true', 'HX-Target' => 'cause-rows'])->assertOk();
        self::assertSame(1, substr_count((string) $rows('words=l620')->assertSee('L620')->getContent(), '<tr '));
        $rows('order=amount&descending=1')->assertSeeInOrder(['L620', 'L619', 'L618'])->assertDontSee('L400 of');
        self::assertSame(622, substr_count((string) $rows('all=1')->assertDontSee(' more<', false)->getContent(), '<tr '));
        $rows('words=nothing-like-it&order=amount')->assertDontSee('L1 of');
    }

    /** A list that a form sends and the middleware does not know would be lost in silence; files come another way. */
    public function test_every_list_of_a_form_is_let_through(): void
    {
        $lists = [];
        foreach (File::allFiles(resource_path('views')) as $view) {
            preg_match_all('/name="(\w+)\[/', $view->getContents(), $names);
            $lists = [...$lists, ...$names[1]];
        }
        self::assertContains('tick', $lists);
        self::assertSame([], array_values(array_diff(array_unique($lists), [...PlainInput::LISTS, 'files'])));
    }
}
