<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Settlement\PaymentWay;
use App\Queries\MoneyAccounts;
use App\Queries\Settings;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** Policies on their page: each with what it does, changed with a reason, in versions. */
final class PoliciesTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics();
        $this->actingAs($this->person());
    }

    private function change(string $key, string $of, string $value, string $for = '', string $reason = 'agreed', string $from = ''): string
    {
        $this->post('/policies', ['key' => $key, 'of' => $of, 'for' => $for, 'value' => $value, 'reason' => $reason, 'from' => $from]);
        $says = session('refusal');

        return is_string($says) ? $says : '';
    }

    public function test_a_policy_is_changed_with_a_reason_and_what_it_was_stays(): void
    {
        $this->get('/policies')->assertOk()->assertSee('Residue limit')->assertSee('a residue is written off up to this');
        foreach ([1, 2] as $click) {
            self::assertSame('', $this->change('a', 'residue_limit', '7.50'));
        }
        self::assertSame('', $this->change('b', 'residue_limit', '4.00', 'GBP'));
        $this->get('/policies?of=residue_limit.GBP')->assertSee('Residue limit, GBP')->assertSee('A preparer: agreed');
        $this->get('/residues')->assertSee('up to 7.50 EUR, 4.00 GBP');
        self::assertSame('', $this->change('c', 'residue_limit', '8.00'));
        self::assertSame(['7.50', '8.00'], DB::table('settings')->where('name', 'residue_limit')->orderBy('id')->pluck('value')->all());
        $this->assertBooksHold();
    }

    public function test_what_cannot_be_is_refused_and_kept_in_the_form(): void
    {
        $before = DB::table('settings')->count();
        self::assertStringContainsString('already', $this->change('a', 'residue_limit', '5.00'));
        self::assertStringContainsString('a number of zero or above', $this->change('b', 'residue_limit', '-1'));
        self::assertStringContainsString('one of yes, no', $this->change('c', 'discount_part_payments', 'maybe'));
        self::assertStringContainsString('Say why', $this->change('d', 'residue_limit', '9.00', reason: ' '));
        self::assertStringContainsString('is expected', $this->change('e', 'residue_limit', '9.00', 'XQZ'));
        self::assertStringContainsString('one of base_currency', $this->change('f', 'nothing', '9.00'));
        self::assertStringContainsString('the base currency stays', $this->change('g', 'base_currency', 'USD'));
        self::assertStringContainsString('the period moves on', $this->change('h', 'period', '2026-12'));
        self::assertStringContainsString('days in ascending order', $this->change('i', 'buckets', '60,30'));
        $this->get('/policies?of=buckets')->assertSee('60,30');
        self::assertSame($before, DB::table('settings')->count());
    }

    public function test_when_a_second_person_is_asked_a_reviewer_says(): void
    {
        self::assertStringContainsString('A reviewer approves this', $this->change('a', 'approval_limit', '9000000.00'));
        self::assertStringContainsString('A reviewer approves this', $this->change('b', 'approval_limit', '', 'contra'));
        self::assertStringContainsString('A reviewer approves this', $this->change('c', 'outside_reviewer', 'myself'));
        $this->actingAs($this->person('reviewer'));
        self::assertSame('', $this->change('d', 'approval_limit', '50.00', 'contra'));
        self::assertSame('50.00', DB::table('settings')->where('name', 'approval_limit.contra')->value('value'));
    }

    public function test_it_holds_from_a_day_and_the_months_before_are_seen_with_what_held_then(): void
    {
        self::assertSame('', $this->change('a', 'buckets', '15,45', from: '2026-10-01'));
        self::assertSame('', $this->change('b', 'residue_limit', '7.50', from: '2026-11-01'));
        self::assertSame(['not_due', '1-15', '16-45', 'over_45'], $this->report('aged', ['--as-of' => '2026-10-31'])['buckets']);
        self::assertSame(['not_due', '1-30', '31-60', '61-90', 'over_90'], $this->report('aged', ['--as-of' => '2026-09-30'])['buckets']);
        $this->get('/residues')->assertSee('up to 5.00 EUR');
        $this->get('/residues?as_of=2026-11-30')->assertSee('up to 7.50 EUR');
        $this->get('/policies?of=residue_limit')->assertSee('Holds from')->assertSee('2026-11-01')->assertSee('(not yet)');
        self::assertStringContainsString('already on 2026-11-15', $this->change('c', 'residue_limit', '7.50', from: '2026-11-15'));
        self::assertStringContainsString('moon', $this->change('d', 'residue_limit', '8.50', from: 'moon'));
        self::assertStringContainsString('a year', $this->change('e', 'residue_limit', '8.50', from: '2031-01-01'));
        $this->assertBooksHold();
    }

    public function test_what_binds_a_locked_period_does_not_change_for_it(): void
    {
        $this->lock('2026-09');
        self::assertStringContainsString('locked', $this->change('a', 'residue_limit', '7.50', from: '2026-09-30'));
        self::assertSame('', $this->change('b', 'residue_limit', '7.50'));
        self::assertSame('2026-10-01', DB::table('settings')->where('name', 'residue_limit')->value('from_day'));
        $this->import(['settings.csv' => "name,value\nbuckets,\"10,20\"\n"]);
        self::assertSame(['not_due', '1-10', '11-20', 'over_20'], $this->report('aged', ['--as-of' => '2026-10-31'])['buckets']);
        self::assertSame('1-30', $this->report('aged', ['--as-of' => '2026-09-30'])['buckets'][1]);
        $this->assertBooksHold();
    }

    public function test_the_command_line_shows_and_changes_them_as_the_page_does(): void
    {
        $run = static fn (array $with): array => [Artisan::call('ajuste:settings', $with), Artisan::output()];
        $change = ['name' => 'residue_limit', 'value' => '7.50', '--reason' => 'agreed', '--from' => '2026-10-01'];
        self::assertStringContainsString('is “7.50” now', $run($change)[1]);
        $now = json_decode($run(['name' => 'residue_limit', '--json' => true])[1], true);
        self::assertSame([['name' => 'residue_limit', 'value' => '7.50']], $now);
        $then = json_decode($run(['--as-of' => '2026-09-30', '--json' => true])[1], true);
        self::assertContains(['name' => 'residue_limit', 'value' => '5.00'], (array) $then);
        self::assertSame(1, $run(['name' => 'residue_limit', 'value' => '8.50'])[0], 'without a reason');
        self::assertSame(1, $run(['name' => 'nothing'])[0]);
        self::assertSame(1, $run(['name' => 'approval_limit', 'value' => '9000.00', '--reason' => 'mine'])[0], 'a reviewer says that');
        self::assertSame(1, $run(['--as-of' => 'moon'])[0]);
        self::assertSame('command line', DB::table('settings')->orderByDesc('id')->value('who'));
    }

    public function test_a_way_of_payment_has_the_money_account_that_the_books_name(): void
    {
        $this->import(['accounts.csv' => self::ACCOUNTS."1570,Till of the shop,asset,till\n1571,Till of the mill,asset,till\n"]);
        $of = static fn (): string => app(MoneyAccounts::class)->of(PaymentWay::Cash)->number;
        self::assertSame('1570', $of());
        self::assertSame('', $this->change('a', 'money_account', '1571', 'cash'));
        app()->forgetScopedInstances();
        self::assertSame('1571', $of());
        self::assertStringContainsString('is expected', $this->change('b', 'money_account', '1571', 'shells'));
        self::assertStringContainsString('no money account', $this->change('c', 'money_account', '4000', 'cash'));
        self::assertSame('1571', $of());
    }

    public function test_numbers_of_what_is_made_begin_with_the_letters_of_the_day(): void
    {
        self::assertStringContainsString('twelve letters', $this->change('a', 'series_vouchers', 'A J'));
        self::assertSame('', $this->change('b', 'series_vouchers', '2026/V', from: '2026-10-15'));
        $this->import(['items.csv' => self::items([
            'I1,invoice,C3,2026-10-01,2026-11-01,GBP,100.00,120.00,,,,', 'R1,receipt,C3,2026-10-02,2026-10-02,GBP,100.00,118.00,,,,',
            'I2,invoice,C3,2026-10-01,2026-11-01,GBP,100.00,120.00,,,,', 'R2,receipt,C3,2026-10-16,2026-10-16,GBP,100.00,118.00,,,,',
        ])]);
        $this->match('C3', ['I1' => '', 'R1' => '']);
        $this->match('C3', ['I2' => '', 'R2' => '']);
        self::assertSame(['AJ-00001', '2026/V-00002'], DB::table('vouchers')->orderBy('id')->pluck('number')->all());
        $this->assertBooksHold();
    }

    public function test_a_file_says_the_day_too_and_the_same_file_twice_changes_nothing(): void
    {
        $file = "name,value,from\nresidue_limit,6.00,\nresidue_limit,9.00,2026-11-01\n";
        $this->import(['settings.csv' => $file]);
        $this->import(['settings.csv' => $file]);
        $days = DB::table('settings')->where('name', 'residue_limit')->orderBy('id')->pluck('from_day')->all();
        self::assertSame(['', '2026-11-01'], $days);
        self::assertSame('6.00', app(Settings::class)->on('2026-10-31')->text(Setting::ResidueLimit));
        self::assertSame('9.00', app(Settings::class)->on('2026-11-01')->text(Setting::ResidueLimit));
    }
}
