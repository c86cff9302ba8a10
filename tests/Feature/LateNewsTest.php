<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Queries\Settings;
use Illuminate\Support\Facades\DB;

/** What a file brings with a date in a locked period is kept, is not in effect, and waits for a person (R13). */
final class LateNewsTest extends BooksTestCase
{
    private const LATE = 'I7,invoice,C1,2026-10-30,2026-11-30,EUR,70.00,70.00,,,E7,';

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'items.csv' => self::items(['I1,invoice,C1,2026-10-01,2026-11-01,EUR,100.00,100.00,,,E1,']),
            'ledger.csv' => self::ledger(['E1,2026-10-01,1100,s,100.00,,I1,', 'E1,2026-10-01,4000,s,,100.00,I1,']),
        ]);
        $this->lock('2026-10');
        $this->import(['settings.csv' => "name,value\nperiod,2026-11\n"]);
        $this->actingAs($this->person());
    }

    /** @return array<string, string> */
    private static function files(): array
    {
        return [
            'items.csv' => self::items([self::LATE, 'I8,invoice,C1,2026-11-02,2026-12-01,EUR,8.00,8.00,,,E8,']),
            'ledger.csv' => self::ledger([
                'E7,2026-10-30,1100,s,70.00,,I7,', 'E7,2026-10-30,4000,s,,70.00,I7,', 'E8,2026-11-02,1100,s,8.00,,I8,',
                'E8,2026-11-02,4000,s,,8.00,I8,',
            ]),
        ];
    }

    private function refuses(string $words): void
    {
        $says = session('refusal');
        self::assertStringContainsString($words, is_string($says) ? $says : '');
    }

    public function test_it_is_kept_once_and_not_in_effect(): void
    {
        $before = $this->report('proof', ['--as-of' => '2026-10-31']);
        $first = $this->import(self::files());
        self::assertSame([[], 3, true], [$first->refused, count($first->late), $first->importId !== null]);
        self::assertSame('the days through 2026-10-31 are locked; the first open day is 2026-11-01', $first->late[0]->expected);
        self::assertTrue($this->import(self::files())->changesNothing(), 'the same row in a later file is the same news');
        self::assertSame($before, $this->report('proof', ['--as-of' => '2026-10-31']));
        self::assertSame('108.00', $this->report('proof', ['--as-of' => '2026-11-30'])['control']);
        $this->get('/intake')->assertSee('3 rows of late news');
        $this->get('/late-news')->assertOk()->assertSee('I7')->assertSee('E7')->assertSee('70.00 Dr')->assertSeeInOrder([
            'Together', '70.00 Dr', '70.00 Dr', 'As signed through 31 Oct 2026', '100.00 Dr', '100.00 Dr',
            'Had it been known', '170.00 Dr', '170.00 Dr',
        ]);
        $this->assertBooksHold();
    }

    public function test_it_goes_to_the_next_period_document_by_document(): void
    {
        $this->import(self::files());
        $take = ['kind' => 'items', 'name' => 'I7', 'date' => '2026-11-01', 'reason' => 'the warehouse was late'];
        $this->post('/late-news/take', ['key' => 'a', ...$take, 'reason' => ' ']);
        $this->refuses('Say why');
        $this->post('/late-news/take', ['key' => 'b', ...$take, 'date' => '2026-10-31']);
        $this->refuses('locked');
        foreach ([1, 2] as $click) {
            $this->post('/late-news/take', ['key' => 'c', ...$take]);
        }
        $this->post(
            '/late-news/take',
            ['key' => 'd', 'kind' => 'ledger', 'name' => 'E7', 'date' => '2026-11-01', 'reason' => 'as the item'],
        );
        $this->post('/late-news/take', ['key' => 'e', ...$take]);
        $this->refuses('Nothing of I7 waits any more');
        $proof = $this->report('proof', ['--as-of' => '2026-11-30']);
        self::assertSame(['178.00', '0.00', []], [$proof['control'], $proof['difference'], $proof['causes']]);
        self::assertSame('100.00', $this->report('proof', ['--as-of' => '2026-10-31'])['control']);
        self::assertSame(['2026-11-01'], DB::table('items')->where('document', 'I7')->pluck('date')->all());
        $this->get('/late-news')->assertSee('Nothing waits')->assertSee('taken in on 1 Nov 2026');
        self::assertTrue($this->import(self::files())->changesNothing(), 'nor when it was taken in');
        $this->assertBooksHold();
    }

    public function test_it_is_left_out_with_a_reason_or_taken_in_on_its_own_day_once_the_period_is_open_again(): void
    {
        $this->import(self::files());
        $this->post('/late-news/leave', ['key' => 'a', 'kind' => 'ledger', 'name' => 'E7', 'reason' => '']);
        $this->refuses('Say why');
        DB::table('period_locks')->insert(['through' => '2026-09-30', 'recorded_at' => '2026-11-03T00:00:00.000000Z']);
        app(Settings::class)->forget();
        $this->get('/late-news')->assertSee('value="2026-10-30"', false);
        $take = ['date' => '2026-10-30', 'reason' => 'adjusting'];
        $this->post('/late-news/take', ['key' => 'b', 'kind' => 'items', 'name' => 'I7', ...$take])->assertSessionHas('done');
        $this->post(
            '/late-news/leave',
            ['key' => 'c', 'kind' => 'ledger', 'name' => 'E7', 'reason' => 'posted otherwise'],
        )->assertSessionHas('done');
        self::assertSame(['not_in_ledger'], array_column($this->report('proof', ['--as-of' => '2026-10-31'])['causes'], 'cause'));
        self::assertSame(['left', 'left', 'taken'], DB::table('late_decisions')->orderBy('decision')->pluck('decision')->all());
        $this->assertBooksHold();
    }

    public function test_a_changed_figure_of_a_locked_period_is_news_and_lists_are_refused_as_before(): void
    {
        $changed = self::items(['I1,invoice,C1,2026-10-01,2026-11-01,EUR,90.00,90.00,,,E1,']);
        $report = $this->import(['items.csv' => $changed]);
        self::assertSame([0, 1], [$report->refusedCount, count($report->late)]);
        $this->post('/late-news/take', ['key' => 'a', 'kind' => 'items', 'name' => 'I1', 'date' => '2026-11-01', 'reason' => 'x']);
        $this->refuses('I1 cannot be taken in on 2026-11-01');
        self::assertSame([10_000], DB::table('items')->where('document', 'I1')->whereNull('superseded_at')->pluck('amount')->all());
        $rates = "date,currency,rate\n2026-10-20,GBP,1.15\n";
        self::assertSame([], $this->import(['rates.csv' => $rates])->late);
        $this->get('/sign-off')->assertSee('Late news is decided');
        $this->assertBooksHold();
    }
}
