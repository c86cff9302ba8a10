<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Refusal;
use App\Actions\ReverseSettlement;
use App\Actions\SettleItems;
use App\Http\Say;
use App\Models\Item;
use App\Queries\CustomerHistory;
use App\Queries\Positions;
use App\Queries\Verification;
use App\Values\MatchRequest;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PDOException;
use PHPUnit\Framework\Attributes\DataProvider;

final class MatchingTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'items.csv' => self::items([
                'A,invoice,C1,2026-10-01,2026-10-31,EUR,100.00,100.00,,,,',
                'B,invoice,C1,2026-10-02,2026-10-31,EUR,70.00,70.00,,,,',
                'R,receipt,C1,2026-10-05,,EUR,130.00,130.00,,,,',
                'G,invoice,C3,2026-09-01,2026-10-01,GBP,8000.00,9232.00,,,,',
                'S,receipt,C3,2026-10-12,,GBP,8000.00,9288.00,,,,',
            ]),
            'ledger.csv' => self::ledger([
                'E1,2026-10-01,1100,s,100.00,,A,',
                'E2,2026-10-02,1100,s,70.00,,B,',
                'E3,2026-10-05,1100,s,,130.00,R,',
                'E4,2026-09-01,1100,s,9232.00,,G,',
                'E5,2026-10-12,1100,s,,9288.00,S,',
            ]),
        ]);
    }

    private function open(string $document): string
    {
        $position = DB::table('item_positions')->where('item_id', $this->itemId($document))->first();

        return number_format(($position->amount - $position->matched) / 100, 2, '.', '');
    }

    public function test_a_match_is_posted_and_the_customers_total_stays(): void
    {
        $before = $this->report('proof');
        $this->match('C1', ['A' => '', 'B' => '', 'R' => '']);
        self::assertSame(['0.00', '40.00', '0.00'], [$this->open('A'), $this->open('B'), $this->open('R')]);
        self::assertSame($before, $this->report('proof'));
        $this->assertBooksHold();
    }

    public function test_the_same_key_posts_once(): void
    {
        $first = $this->match('C1', ['A' => '', 'R' => '50.00'], key: 'k');
        self::assertSame($first, $this->match('C1', ['A' => '', 'R' => '50.00'], key: 'k'));
        self::assertSame(1, DB::table('settlements')->count());
        self::assertSame('50.00', $this->open('A'));
    }

    public function test_who_comes_second_is_told_what_changed(): void
    {
        $request = new MatchRequest($this->customerId('C1'), [$this->itemId('A') => null, $this->itemId('R') => null]);
        $seen = app(SettleItems::class)->rehearse($request, $this->control())->digest();
        $this->match('C1', ['A' => '60.00', 'R' => '60.00']);
        try {
            app(SettleItems::class)->post('second', $request, $this->control(), $seen);
            self::fail('The second match was posted.');
        } catch (Refusal $refusal) {
            self::assertStringContainsString('changed since you looked: Invoice A has 40.00 open', $refusal->getMessage());
        }
        self::assertSame(1, DB::table('settlements')->count());
    }

    public function test_an_exchange_difference_is_posted_with_the_match_and_taken_back_with_it(): void
    {
        $settlement = $this->match('C3', ['G' => '', 'S' => '']);
        $proof = $this->report('proof');
        self::assertSame(['56.00', '0.00', []], [$proof['own_vouchers'], $proof['difference'], $proof['causes']]);
        self::assertSame(['C1'], array_column($this->report('aged')['customers'], 'customer'));

        app(ReverseSettlement::class)->post('back', $settlement, '2026-10-20', 'wrong customer');
        self::assertSame(['8000.00', '8000.00'], [$this->open('G'), $this->open('S')]);
        $after = $this->report('proof');
        self::assertSame(['0.00', '0.00', []], [$after['own_vouchers'], $after['difference'], $after['causes']]);
        // Between the two days the match stands, before and after it does not.
        self::assertSame(['C1'], array_column($this->report('aged', ['--as-of' => '2026-10-19'])['customers'], 'customer'));
        self::assertSame(['C1', 'C3'], array_column($this->report('aged', ['--as-of' => '2026-10-20'])['customers'], 'customer'));
        $this->assertBooksHold();
        $this->expectExceptionMessage('reversed already');
        app(ReverseSettlement::class)->post('again', $settlement, '2026-10-20', 'twice');
    }

    public function test_a_reversal_needs_a_reason_and_an_open_day(): void
    {
        $settlement = $this->match('C1', ['A' => '', 'R' => '']);
        $this->lock('2026-10');
        foreach (
            [['2026-11-01', ' ', 'needs a reason'], ['2026-10-31', 'x', 'first open day is '
                .'2026-11-01'], ['2026-10-01', 'x', 'locked']] as [$date, $reason, $says]
        ) {
            try {
                app(ReverseSettlement::class)->post("r{$date}{$reason}", $settlement, $date, $reason);
                self::fail('It was reversed.');
            } catch (Refusal $refusal) {
                self::assertStringContainsString($says, $refusal->getMessage());
            }
        }
        app(ReverseSettlement::class)->post('good', $settlement, '2026-11-01', 'agreed with the customer');
        self::assertSame('100.00', $this->open('A'));
        self::assertSame('0.00', $this->report('aged', ['--as-of' => '2026-10-31'])['customers'][0]['amounts'][1]);
    }

    /** As of any date, and as known at any moment. */
    public function test_open_amounts_are_those_of_the_day(): void
    {
        $this->match('C1', ['A' => '', 'R' => ''], '2026-10-20');
        $total = fn (string $asOf): array => [
            $this->report('aged', ['--as-of' => $asOf])['customers'][0]['amounts'][0],
            $this->report('aged', ['--as-of' => $asOf])['customers'][0]['unapplied'],
        ];
        self::assertSame(['170.00', '-130.00'], $total('2026-10-19'));
        self::assertSame(['70.00', '-30.00'], $total('2026-10-20'));
        // A later match may not overdraw a day on which the item is still used by another.
        $this->expectExceptionMessage('only 0.00 EUR is open');
        $this->match('C1', ['A' => '1.00', 'R' => '1.00'], '2026-10-10');
    }

    /** Random posts and reversals: nothing is overdrawn, control = customers, and reversing everything restores every open amount. */
    public function test_random_matches_and_their_reversals(): void
    {
        mt_srand(8);
        $before = DB::table('item_positions')->orderBy('item_id')->pluck('matched', 'item_id')->all();
        $standing = [];
        for ($n = 0; $n < 40; $n++) {
            if ($standing !== [] && mt_rand(0, 2) === 0) {
                app(ReverseSettlement::class)->post("r{$n}", array_pop($standing), '2026-10-28', 'test');
            } else {
                [$customer, $debit, $credit] = [['C1', 'A', 'R'], ['C1', 'B', 'R'], ['C3', 'G', 'S']][mt_rand(0, 2)];
                $amount = number_format(mt_rand(1, 9000) / 100, 2, '.', '');
                try {
                    $standing[] = $this->match(
                        $customer,
                        [$debit => $amount, $credit => $amount],
                        sprintf('2026-10-%02d', mt_rand(12, 28)),
                    );
                } catch (Refusal $refusal) {
                    self::assertStringContainsString('is open', $refusal->getMessage());
                }
            }
            self::assertSame(0, DB::table('item_positions')->whereRaw('matched < 0 OR matched > amount')->count());
        }
        $proof = $this->report('proof');
        self::assertSame('0.00', $proof['difference']);
        $aged = $this->report('aged');
        self::assertSame($proof['customers'], $aged['totals']['total']);
        $this->assertBooksHold();
        foreach ($standing as $n => $settlement) {
            app(ReverseSettlement::class)->post("all{$n}", $settlement, '2026-10-28', 'test');
        }
        self::assertSame(
            $before,
            DB::table('item_positions')->whereIn('item_id', array_keys($before))->orderBy('item_id')->pluck('matched', 'item_id')->all(),
        );
        self::assertSame('0.00', $this->report('proof')['own_vouchers']);
        $this->assertBooksHold();
    }

    /** @return iterable<string, array{string}> */
    public static function tampering(): iterable
    {
        foreach (
            [
                'UPDATE items SET amount = 1',
                'UPDATE items SET superseded_at = NULL',
                'DELETE FROM items',
                'UPDATE postings SET base = 1',
                'DELETE FROM postings',
                'UPDATE matches SET amount = 1',
                'DELETE FROM matches',
                'UPDATE vouchers SET date = 1',
                'DELETE FROM vouchers',
                'UPDATE audit_records SET who = 1',
                'DELETE FROM audit_records',
                'DELETE FROM settlements',
                'UPDATE item_positions SET matched = amount + 1',
                "INSERT INTO postings (voucher_id, entry, occurrence, date, account_id, base, recorded_at) SELECT id, 'x', 9, date, 1, "
                    .'5, recorded_at FROM vouchers LIMIT 1',
                "INSERT INTO vouchers (id, number, date, text, who, recorded_at) VALUES (99, 'x', '2026-10-01', 'x', 'x', 'x')",
            ] as $sql
        ) {
            yield $sql => [$sql];
        }
    }

    #[DataProvider('tampering')]
    public function test_the_database_itself_keeps_what_is_posted(string $sql): void
    {
        $this->match('C3', ['G' => '', 'S' => '']);
        $this->expectException(QueryException::class);
        DB::statement($sql);
    }

    public function test_lines_without_a_voucher_cannot_stay(): void
    {
        $this->expectException(PDOException::class);
        DB::transaction(static function (): void {
            DB::insert(
                "INSERT INTO postings (voucher_id, entry, occurrence, date, account_id, base, recorded_at) VALUES (77, 'x', 1, "
                    ."'2026-10-01', 1, 5, 'x'), (77, 'x', 2, '2026-10-01', 1, -5, 'x')",
            );
        });
    }

    public function test_a_changed_audit_record_breaks_the_chain(): void
    {
        $this->match('C1', ['A' => '', 'R' => '']);
        DB::statement('DROP TRIGGER audit_keep');
        DB::table('audit_records')
            ->where('id', 1)
            ->update(['who' => 'somebody else']);
        self::assertStringContainsString('broken at record 1', implode(app(Verification::class)->faults()));
    }

    /** Quoted and exact ones at once, posted and reversible as one run; what has a reason is counted apart. */
    public function test_the_certain_ones_are_matched_as_one_run(): void
    {
        $this->importBasics([
            'items.csv' => self::items([
                'QA,invoice,C1,2026-10-01,2026-10-31,EUR,100.00,100.00,,,QE1,',
                'QB,invoice,C1,2026-10-02,2026-11-01,EUR,55.00,55.00,,,QE2,',
                'QR,receipt,C1,2026-10-05,,EUR,55.00,55.00,,,QE3,',
                'QS,receipt,C1,2026-10-06,,EUR,100.00,100.00,,QA,QE4,',
                'QT,receipt,C2,2026-10-06,,EUR,7.00,7.00,,,QE5,',
                'QC,invoice,C2,2026-10-02,2026-11-01,EUR,55.00,55.00,,,QE6,',
            ]),
            'ledger.csv' => self::ledger([
                'QE1,2026-10-01,1100,s,100.00,,QA,',
                'QE2,2026-10-02,1100,s,55.00,,QB,',
                'QE3,2026-10-05,1100,s,,55.00,QR,',
                'QE4,2026-10-06,1100,s,,100.00,QS,',
                'QE5,2026-10-06,1100,s,,7.00,QT,',
                'QE6,2026-10-02,1100,s,55.00,,QC,',
            ]),
        ]);
        $this->actingAs($this->person());
        $rows = app(CustomerHistory::class)->documents($this->control()->id, $this->customerId('C1'), '2026-10-31')->get();
        $balanceOf = static fn (Item $item): int => (int) $item->getAttribute('balance_after');
        foreach ($rows->slice(1)->values() as $place => $earlier) {
            $row = $rows[$place];
            self::assertSame(($row->side === 'debit' ? 1 : -1) * $row->base, $balanceOf($row) - $balanceOf($earlier), $row->document);
        }
        $balance = app(Positions::class)->balance($this->control()->id, $this->customerId('C1'), '2026-10-31');
        self::assertSame($balance->minor, $balanceOf($rows->firstOrFail()));
        $this->get('/customers/'.$this->customerId('C1'))->assertOk()->assertSee(Say::balance($balance));
        $page = (string) $this->get('/unapplied/run')->assertOk()->assertSee('Match 3 credits, 155.00 EUR')->getContent();
        preg_match('/name="seen" value="(\w{64})"/', $page, $seen);
        $left = $this->itemId('QS');
        $this->from('/unapplied/run')
            ->post('/unapplied/run', ['key' => 'r', 'seen' => 'other', 'leave' => [$left => '1']])
            ->assertSessionHas('refusal');
        $this->get('/unapplied/run')->assertSee('Match 2 credits')->assertSee("name=\"leave[{$left}]\" value=\"1\" checked", false);
        $this->post('/unapplied/run/rehearse', ['leave' => [$left => '1']])->assertOk()->assertSee('Match 2 credits');
        foreach ([1, 2] as $click) {
            $this->post('/unapplied/run', ['key' => 'r', 'seen' => $seen[1]])->assertSessionHas('done');
        }
        self::assertSame(3, DB::table('settlements')->count());
        self::assertSame(['0.00', '0.00', '0.00'], [$this->open('QA'), $this->open('QB'), $this->open('QS')]);
        $this->get('/unapplied/run')->assertOk()->assertDontSee('Match 3 credits');
        $this->post('/unapplied/'.$this->customerId('C2').'/leave', [
            'key' => 'l',
            'reason' => '',
            'look_again' => '2026-10-31',
        ])->assertSessionHas('refusal');
        $this->post('/unapplied/'.$this->customerId('C2').'/leave', [
            'key' => 'l',
            'reason' => 'waits for the buyer',
            'look_again' => '2026-10-31',
        ])->assertSessionHas('refusal');
        $this->post('/unapplied/'.$this->customerId('C2').'/leave', [
            'key' => 'l',
            'reason' => 'waits for the buyer',
            'look_again' => '2026-11-15',
        ])->assertSessionHas('done');
        $this->get('/unapplied')->assertSee('1 customer left unapplied with a reason')->assertSee('until 15 Nov');
        $this->get('/')->assertSee('Left unapplied on purpose')->assertSee('waits for the buyer');
        $this->get('/unapplied?as_of=2026-11-20')->assertDontSee('left unapplied with a reason');
        $this->get('/unapplied/runs/1')->assertOk()->assertSee('Run 1, 3 matches')->assertSee('Reverse it as one');
        $this->get('/unapplied/runs/2')->assertNotFound();
        $this->post('/unapplied/runs/1/reverse', ['key' => 'x', 'reason' => 'too early', 'date' => '2020-01-01'])->assertSessionHas(
            'refusal',
        );
        $this->post('/unapplied/runs/1/reverse', ['key' => 'x', 'reason' => 'too early', 'date' => '2026-10-31'])->assertSessionHas('done');
        $this->get('/unapplied/runs/1')->assertSee('reversed: too early')->assertDontSee('Reverse it as one');
        $this->post('/unapplied/runs/1/reverse', ['key' => 'y', 'reason' => 'again'])->assertSessionHas('refusal');
        self::assertSame(['100.00', '55.00', '100.00'], [$this->open('QA'), $this->open('QB'), $this->open('QS')]);
        self::assertSame('0.00', $this->report('proof')['difference']);
        $this->assertBooksHold();
    }

    /** What was open at the month's end and was settled since is on the aged list of that day, but is no work any more. */
    public function test_what_was_settled_since_is_not_offered_again(): void
    {
        $this->actingAs($this->person());
        $this->match('C1', ['A' => '70.00', 'R' => '70.00'], '2026-11-03');
        $this->get('/unapplied?as_of=2026-10-31')
            ->assertOk()
            ->assertSee('data-sort="6000"', false)
            ->assertDontSee('data-sort="13000"', false);
        self::assertSame(
            '-130.00',
            array_column($this->report('aged', ['--as-of' => '2026-10-31'])['customers'], 'unapplied', 'customer')['C1'],
        );
        $this->match('C1', ['A' => '', 'B' => '', 'R' => ''], '2026-11-04');
        $this->get('/unapplied?as_of=2026-10-31')->assertDontSee('Uno');
    }

    /** What is certain goes along unless it is left out; what fits otherwise only if it is taken along. */
    public function test_a_run_posts_what_a_person_chooses(): void
    {
        $this->importBasics([
            'items.csv' => self::items([
                'PA,invoice,C2,2026-10-01,2026-10-31,EUR,40.00,40.00,,,,',
                'PB,invoice,C2,2026-10-02,2026-11-01,EUR,40.00,40.00,,,,',
                'PC,invoice,C2,2026-10-03,2026-11-02,EUR,77.00,77.00,,,,',
                'PR,receipt,C2,2026-10-05,2026-10-05,EUR,40.00,40.00,,,,',
                'PS,receipt,C2,2026-10-06,2026-10-06,EUR,77.00,77.00,,PC,,',
            ]),
        ]);
        $this->actingAs($this->person());
        $page = (string) $this->get('/unapplied/run')
            ->assertOk()
            ->assertSee('take along')
            ->assertSee('same amount, for you to choose')
            ->getContent();
        preg_match('/name="seen" value="(\w{64})"/', $page, $seen);
        preg_match_all('/name="leave\[(\d+)\]"/', $page, $ids);
        self::assertContains((string) $this->itemId('PS'), $ids[1]);
        $certain = array_fill_keys($ids[1], '1');
        $this->post('/unapplied/run', ['key' => 'none', 'seen' => $seen[1], 'leave' => $certain])->assertSessionHas(
            'refusal',
            static fn (string $says): bool => str_contains($says, 'Nothing is chosen'),
        );
        $this->post('/unapplied/run', [
            'key' => 'r',
            'seen' => $seen[1],
            'leave' => $certain,
            'take' => [$this->itemId('PR') => '1'],
        ])->assertSessionHas('done');
        self::assertSame(['0.00', '40.00', '77.00', '0.00', '77.00'], array_map($this->open(...), ['PA', 'PB', 'PC', 'PR', 'PS']));
        self::assertSame(1, DB::table('run_settlements')->count());
    }
}
