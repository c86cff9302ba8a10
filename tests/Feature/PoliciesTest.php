<?php

declare(strict_types=1);

namespace Tests\Feature;

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

    private function change(string $key, string $of, string $value, string $for = '', string $reason = 'agreed'): string
    {
        $this->post('/policies', ['key' => $key, 'of' => $of, 'for' => $for, 'value' => $value, 'reason' => $reason]);
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
}
