<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Run\RunKind;
use App\Models\User;
use App\Queries\PackRows;
use App\Queries\Runs;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Residues as a run: looked at, changed by a person, approved where it is large, posted as one and taken back as one. */
final class ResidueRunTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'accounts.csv' => self::ACCOUNTS."6300,Residues,expense,residues_written_off\n2300,Output tax,liability,output_tax\n",
            'settings.csv' => "name,value\nperiod,2026-10\ntax_relief_write_offs,yes\napproval_limit,6.00\n",
            'items.csv' => self::items([
                'I1,invoice,C1,2026-08-01,2026-09-01,EUR,1000.00,1000.00,,,E1,', 'R1,receipt,C1,2026-09-05,,EUR,996.37,996.37,,,E2,',
                'I2,invoice,C2,2026-08-01,2026-09-01,EUR,900.00,900.00,,,E3,', 'R2,receipt,C2,2026-09-05,,EUR,894.50,894.50,,,E4,',
                'I3,invoice,C2,2026-08-01,2026-09-01,EUR,800.00,800.00,,,E5,', 'R3,receipt,C2,2026-09-05,,EUR,798.00,798.00,,,E6,',
            ]),
            'item_lines.csv' => "document,line,description,quantity,unit_price,net,tax_rate,account\nI1,1,Oil,1,826.45,826.45,21,4000\n",
            'matches.csv' => "date,debit_document,credit_document,amount\n2026-09-05,I1,R1,996.37\n2026-09-05,I2,R2,894.50\n"
                ."2026-09-05,I3,R3,798.00\n",
            'ledger.csv' => self::ledger([
                'E1,2026-08-01,1100,s,1000.00,,I1,', 'E2,2026-09-05,1100,s,,996.37,R1,', 'E3,2026-08-01,1100,s,900.00,,I2,',
                'E4,2026-09-05,1100,s,,894.50,R2,', 'E5,2026-08-01,1100,s,800.00,,I3,', 'E6,2026-09-05,1100,s,,798.00,R3,',
            ]),
        ]);
        $this->actingAs($this->person());
    }

    /** @return string digest of what the page shows */
    private function seen(): string
    {
        preg_match('/name="seen" value="(\w+)"/', (string) $this->get('/residues')->assertOk()->getContent(), $found);

        return $found[1] ?? '';
    }

    private function refuses(string $words): void
    {
        $says = session('refusal');
        self::assertStringContainsString($words, is_string($says) ? $says : '');
    }

    public function test_the_command_gives_the_plan_that_the_run_posts_as_one_and_takes_back_as_one(): void
    {
        $plan = $this->report('residues');
        self::assertSame([['I1', '3.63', '3.63'], ['I3', '2.00', '2.00']], array_map(
            static fn (array $of): array => [$of['document'], $of['amount'], $of['base']], (array) $plan['lines'],
        ));
        self::assertSame([['I2', '5.50', '0.50 above the limit of 5.00']], array_map(
            static fn (array $of): array => [$of['document'], $of['amount'], $of['why']], (array) $plan['left_out'],
        ));
        self::assertSame(
            ['5.63', [['1100', '0.00', '5.63'], ['2300', '0.63', '0.00'], ['6300', '5.00', '0.00']]],
            [$plan['total'], array_map(array_values(...), (array) $plan['voucher'])],
        );
        $this->get('/residues')->assertSee('no tax comes off: its lines are not known')->assertSee('Write off 2 lines, 5.63');
        $seen = $this->seen();
        foreach ([1, 2] as $click) {
            $this->post('/runs/residues', ['key' => 'p', 'seen' => $seen])->assertSessionHas('done');
        }
        self::assertSame([1, 0, 0], [DB::table('runs')->count(), $this->openOf('I1'), $this->openOf('I3')]);
        self::assertSame('0.00', $this->report('proof')['difference']);
        self::assertSame([], $this->report('residues')['lines']);
        $run = (int) DB::table('runs')->value('id');
        $this->get('/residues')->assertSee("/runs/{$run}\"", false);
        $shown = ['2 lines taken', 'taken', 'I1', 'near miss', 'I2', '0.50 above the limit'];
        $this->get("/runs/{$run}")->assertOk()->assertSeeInOrder($shown);
        $this->get("/runs/{$run}?words=near")->assertOk()->assertSee('I2')->assertDontSee('/documents/'.$this->itemId('I1').'"', false);
        $packed = iterator_to_array(app(PackRows::class)->runs(Period::of('2026-10'), Moment::now()), false);
        self::assertSame([['I1', 'taken'], ['I3', 'taken'], ['I2', 'near miss']], array_map(
            static fn (array $row): array => [$row['document'], $row['state']], $packed,
        ));
        $this->post('/runs/residues', ['key' => 'q', 'seen' => '']);
        $this->refuses('There is nothing to post');
        $this->get('/documents/'.$this->itemId('I1'))->assertOk()->assertSee('I1-W');
        self::assertSame([], app(Runs::class)->outOfDate(RunKind::Residues, $this->control()->id));

        $this->post('/runs/residues/1/reverse', ['key' => 'r', 'reason' => 'paid after all'])->assertSessionHas('done');
        self::assertSame([363, 200], [$this->openOf('I1'), $this->openOf('I3')]);
        self::assertSame(['0.00', $plan['lines']], [$this->report('proof')['difference'], $this->report('residues')['lines']]);
        $this->post('/runs/residues/1/reverse', ['key' => 's', 'reason' => 'again']);
        $this->refuses('reversed already');
        $this->assertBooksHold();
    }

    public function test_a_run_out_of_date_is_run_again_in_one_step(): void
    {
        $this->post('/runs/residues/9/again', ['key' => 'none']);
        $this->refuses('no such run');
        $this->post('/runs/residues', ['key' => 'p', 'seen' => $this->seen()])->assertSessionHas('done');
        $this->get('/residues')->assertDontSee('run again');
        $this->import([
            'items.csv' => self::items(['I3,invoice,C2,2026-08-01,2026-09-01,EUR,800.20,800.20,,,E5,']),
            'ledger.csv' => self::ledger(['E5,2026-08-01,1100,s,800.20,,I3,']),
        ]);
        $documents = app(Runs::class)->outOfDate(RunKind::Residues, $this->control()->id);
        self::assertSame([1 => ['I3']], $documents);
        $this->get('/residues')->assertSee('out of date: I3 changed')->assertSee('Take back and run again');
        foreach ([1, 2] as $click) {
            $this->post('/runs/residues/1/again', ['key' => 'a'])->assertSessionHas('done');
        }
        self::assertSame([2, 1], [DB::table('runs')->count(), DB::table('run_reversals')->count()]);
        self::assertSame([0, 583], [$this->openOf('I3'), (int) DB::table('runs')->max('total')]);
        self::assertSame([], app(Runs::class)->outOfDate(RunKind::Residues, $this->control()->id));
        self::assertSame('0.00', $this->report('proof')['difference']);
        $this->assertBooksHold();
    }

    public function test_where_the_whole_original_is_allowed_what_nobody_paid_is_a_near_miss(): void
    {
        $small = ['items.csv' => self::items(['I9,invoice,C1,2026-08-01,2026-09-01,EUR,2.00,2.00,,,E9,'])];
        $this->import([...$small, 'ledger.csv' => self::ledger(['E9,2026-08-01,1100,s,2.00,,I9,'])]);
        $left = fn (): array => array_column((array) $this->report('residues')['left_out'], 'why', 'document');
        self::assertArrayNotHasKey('I9', $left());
        $this->import(['settings.csv' => "name,value\nresidue_percent,100\n"]);
        self::assertSame('nothing of it is settled', $left()['I9'] ?? '');
    }

    public function test_a_blocked_customer_stays_out_until_it_is_let_in_again(): void
    {
        $before = $this->report('residues');
        $customer = $before['lines'][0]['customer'];
        $odd = [['nobody', 'asked for', 'There is no customer'], [$customer, ' ', 'A block needs a reason']];
        foreach ($odd as [$number, $reason, $words]) {
            $this->post('/runs/residues/blocks', ['key' => "no-{$number}", 'customer' => $number, 'reason' => $reason]);
            $this->refuses($words);
        }
        foreach ([1, 2] as $click) {
            $this->post('/runs/residues/blocks', ['key' => 'b', 'customer' => $customer, 'reason' => 'in court'])->assertSessionHas('done');
        }
        $this->post('/runs/residues/blocks', ['key' => 'c', 'customer' => $customer, 'reason' => 'in court']);
        $this->refuses('blocked already');
        $plan = $this->report('residues');
        self::assertNotContains($customer, array_column((array) $plan['lines'], 'customer'));
        self::assertContains('customer blocked: in court', array_column((array) $plan['left_out'], 'why'));
        $this->get('/residues')->assertSee('in court')->assertSee("Let {$customer} in again");
        self::assertSame([], DB::table('customer_blocks')->where('kind', 'contra')->get()->all());
        $this->post('/runs/contra/blocks/1/lift', ['key' => 'l']);
        $this->refuses('no such block');
        $this->post('/runs/residues/blocks/1/lift', ['key' => 'm'])->assertSessionHas('done');
        self::assertSame($before, $this->report('residues'));
        $this->post('/runs/residues/blocks/1/lift', ['key' => 'n']);
        $this->refuses('no such block');
    }

    public function test_another_policy_is_counted_without_keeping_anything(): void
    {
        $before = $this->report('residues');
        $this->get('/residues?limit=6,00&percent=1&days=30')->assertOk()
            ->assertSee('3 items, 11.13; tax that comes off 0.63; result −10.50 EUR. Nothing is kept.');
        $this->get('/residues?limit=6.00&percent=0.4&days=30')->assertSee('2 items, 5.63');
        $this->get('/residues?limit=1.00&percent=1&days=90')->assertSee('0 items, 0.00');
        $bad = [
            'limit=x&percent=1&days=30' => 'x', 'limit=5&percent=many&days=30' => 'no percentage',
            'limit=5&percent=1&days=-3' => 'no number of days',
        ];
        foreach ($bad as $asked => $says) {
            $this->get("/residues?{$asked}")->assertOk()->assertSee($says);
        }
        $this->get('/residues?limit[]=5')->assertOk();
        self::assertSame($before, $this->report('residues'));
    }

    public function test_who_pays_short_again_and_again_is_seen_and_left_alone_from_there(): void
    {
        $this->get('/residues')->assertDontSee('pays short again');
        $this->import(['items.csv' => self::items([
            'K1,deduction,C2,2026-03-01,,EUR,7.00,7.00,,,,', 'K2,deduction,C2,2025-11-01,,EUR,8.00,8.00,,,,',
            'K3,deduction,C2,2025-10-31,,EUR,9.00,9.00,,,,', 'K4,deduction,C1,2026-03-01,,EUR,6.00,6.00,,,,',
        ])]);
        $this->get('/residues')->assertSee('2 times in twelve months')->assertSee('15.00')->assertDontSee('Leave C1 alone');
        $this->post('/runs/residues/blocks', ['key' => 's', 'customer' => 'C2', 'reason' => 'pays short again and again']);
        $this->get('/residues')->assertDontSee('Leave C2 alone')->assertSee('Let C2 in again');
        self::assertSame(['I1'], array_column((array) $this->report('residues')['lines'], 'document'));
        $this->post('/runs/residues/blocks/1/lift', ['key' => 'l']);
        $this->post('/runs/residues', ['key' => 'p', 'seen' => $this->seen()]);
        $this->get('/residues')->assertSee('3 times in twelve months')->assertSee('17.00');
    }

    public function test_a_near_miss_that_is_taken_along_is_approved_by_another_exactly_as_it_was_seen(): void
    {
        $item = $this->itemId('I2');
        $take = ['item' => $item, 'choice' => 'take'];
        $this->post('/runs/residues/choose', ['key' => 'c', ...$take, 'reason' => '']);
        $this->refuses('reason');
        $this->post('/runs/residues/choose', ['key' => 'c', ...$take, 'reason' => 'agreed'])->assertSessionHas('done');
        $seen = $this->seen();
        $this->post('/runs/residues', ['key' => 'p', 'seen' => $seen]);
        $this->refuses('A second person approves it first: I2 is taken along');
        $this->post('/runs/residues/ask', ['key' => 'a', 'seen' => $seen])->assertSessionHas('done');
        $this->post('/runs/residues/ask', ['key' => 'b', 'seen' => $seen]);
        $this->refuses('has asked for exactly this already');
        $this->post('/approvals/1/approve', ['key' => 'own']);
        $this->refuses('A reviewer approves');

        $this->actingAs($this->person('reviewer'));
        $this->get('/residues')->assertSee('Approve and post 3 lines');
        $this->get('/')->assertSee('asks for approval');
        $this->post('/approvals/1/send-back', ['key' => 'w', 'words' => 'leave I3 out, it is asked for'])->assertSessionHas('done');
        $this->get('/residues')->assertSee('leave I3 out, it is asked for');
        $this->post('/runs/residues/choose', [
            'key' => 'd', 'item' => $this->itemId('I3'), 'choice' => 'leave', 'reason' => 'asked for',
        ])->assertSessionHas('done');
        $this->post('/runs/residues/ask', ['key' => 'e', 'seen' => $this->seen()])->assertSessionHas('done');
        $this->post('/approvals/2/approve', ['key' => 'f']);
        $this->refuses('Nobody approves an own request');

        $this->actingAs($this->another('Another'));
        // Something that it looked at changes: what was asked for is not what would be posted now.
        $this->match('C1', ['I1' => '1.00', $this->late('1.00') => '1.00']);
        $this->post('/approvals/2/approve', ['key' => 'g']);
        $this->refuses('has changed since');
        self::assertSame(0, DB::table('runs')->count());
        $this->get('/residues')->assertSee('What would be posted has changed since');
        $this->post('/runs/residues/ask', ['key' => 'h', 'seen' => $this->seen()])->assertSessionHas('done');
        $this->post('/approvals/3/approve', ['key' => 'i', 'outside' => 'N. Outside, 2 Nov, letter']);
        $this->refuses('name no outside person');
        $this->actingAs($this->another('Third'));
        $this->post('/approvals/3/approve', ['key' => 'j'])->assertSessionHas('done');
        self::assertSame(
            ['withdrawn', 'approved'],
            DB::table('approval_answers')->orderByDesc('request_id')->limit(2)->pluck('answer')->reverse()->values()->all(),
        );
        self::assertSame([0, 200], [$this->openOf('I2'), $this->openOf('I3')]);
        $this->assertBooksHold();
    }

    private function another(string $name): User
    {
        $user = ['name' => $name, 'email' => "{$name}@example.invalid", 'role' => 'reviewer'];

        return User::query()->create($user);
    }

    private function late(string $amount): string
    {
        $this->import([
            'items.csv' => self::items(["R9,receipt,C1,2026-10-05,,EUR,{$amount},{$amount},,,E9,"]),
            'ledger.csv' => self::ledger(["E9,2026-10-05,1100,s,,{$amount},R9,"]),
        ]);

        return 'R9';
    }

    /** Lines that are taken and lines that stay are lists of their own, of which the page has a part and the address says how. */
    public function test_a_run_of_many_lines_is_shown_in_parts_and_filtered_whole(): void
    {
        $items = $matches = [];
        foreach (range(1, 320) as $n) {
            $rest = $n <= 160 ? sprintf('%d.%02d', 1 + intdiv($n, 100), $n % 100) : '7.50';
            $paid = number_format(1000 - (float) $rest, 2, '.', '');
            $items[] = "L{$n},invoice,C1,2026-08-01,2026-09-01,EUR,1000.00,1000.00,,,,";
            $items[] = "P{$n},receipt,C1,2026-09-05,,EUR,{$paid},{$paid},,,,";
            $matches[] = "2026-09-05,L{$n},P{$n},{$paid}";
        }
        $this->import(['items.csv' => self::items($items),
            'matches.csv' => "date,debit_document,credit_document,amount\n".implode("\n", $matches)."\n"]);
        $page = (string) $this->get('/residues')->assertOk()->assertSee('data-window="taken"', false)
            ->assertSee('data-window="left"', false)->assertSee('162 items inside the policy')->getContent();
        self::assertSame([150, 150], [substr_count($page, 'value="leave"'), substr_count($page, 'value="take"')]);
        $rows = fn (string $query, string $list): string => (string) $this
            ->get("/residues?{$query}", ['HX-Request' => 'true', 'HX-Target' => "{$list}-rows"])->assertOk()->getContent();
        $rest = $rows('taken-from=150', 'taken');
        self::assertSame([12, 0], [substr_count($rest, '<tr data-minor'), substr_count($rest, 'data-more')]);
        self::assertSame(1, substr_count($rows('taken-words=L16+1.16', 'taken'), '<tr data-minor'));
        self::assertStringContainsString('>L320</a>', $rows('left-words=l320&taken-words=nothing', 'left'));
        $sorted = $rows('taken-order=base&taken-descending=1', 'taken');
        self::assertSame(1, preg_match('~<tr data-minor="(\d+)"~', $sorted, $first));
        self::assertSame('363', $first[1]);
        self::assertStringContainsString('taken-order=base&amp;taken-from=150', $rows('taken-order=base', 'taken'));
        $this->get('/residues?taken-words=l16')->assertSee('value="l16"', false);
    }
}
