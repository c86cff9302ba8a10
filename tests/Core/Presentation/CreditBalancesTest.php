<?php

declare(strict_types=1);

namespace Tests\Core\Presentation;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Presentation\CreditBalancePolicy;
use Ajuste\Core\Presentation\CreditBalances;
use Ajuste\Core\Presentation\PresentationPlan;
use Ajuste\Core\Presentation\Standing;
use Ajuste\Core\Refusal;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sample;

final class CreditBalancesTest extends TestCase
{
    /** Balances +1,000.00; −250.00; (+20.00, −75.50). */
    private function plan(CreditBalancePolicy $policy, string $limit = '0.00', ?string $locked = null): PresentationPlan
    {
        $standing = static fn (int $customer, int $item, int $base): Standing => new Standing(
            Sample::customer($customer),
            $item,
            "D{$item}",
            Currency::of('EUR'),
            $base,
            $base,
            $base < 0,
        );
        $rule = new CreditBalances(Sample::accounts(), new LockedDays($locked), Currency::of('EUR'));

        return $rule->plan(
            Sample::accounts()->numbered('1100'),
            '2026-10-31',
            [$standing(1, 1, 1000_00), $standing(2, 2, -250_00), $standing(3, 3, 20_00), $standing(3, 4, -75_50)],
            $policy,
            Money::parse($limit, 'EUR'),
        );
    }

    public function test_by_customer_net(): void
    {
        $plan = $this->plan(CreditBalancePolicy::Customer);
        self::assertSame(['250.00', '55.50'], array_map(static fn ($line): string => $line->base->decimal(), $plan->presented));
        self::assertSame('305.50', $plan->total()->decimal());
        // After it: control + presentation = sum of debit balances; customers in credit = sum presented.
        self::assertSame('694.50', $plan->net()->decimal());
        self::assertSame('1000.00', $plan->receivablesAfter($plan->net())->decimal());
        self::assertSame($plan->balances->debit->decimal(), $plan->receivablesAfter($plan->net())->decimal());
    }

    public function test_by_item(): void
    {
        $plan = $this->plan(CreditBalancePolicy::Item);
        self::assertSame(
            ['D2 250.00', 'D4 75.50'],
            array_map(static fn ($line): string => "{$line->document} {$line->base->decimal()}", $plan->presented),
        );
        self::assertSame('325.50', $plan->total()->decimal());
        // Plus the credits presented beyond net: 20.00.
        self::assertSame('1020.00', $plan->receivablesAfter($plan->net())->decimal());
    }

    public function test_by_customer_and_currency(): void
    {
        $rule = new CreditBalances(Sample::accounts(), new LockedDays(null), Currency::of('EUR'));
        $plan = $rule->plan(
            Sample::accounts()->numbered('1100'),
            '2026-10-31',
            [
                new Standing(Sample::customer(), 1, 'D1', Currency::of('EUR'), 100_00, 100_00, false),
                new Standing(Sample::customer(), 2, 'D2', Currency::of('GBP'), -40_00, -46_00, true),
            ],
            CreditBalancePolicy::CustomerCurrency,
            Money::zero('EUR'),
        );
        self::assertSame(
            ['GBP 40.00 46.00'],
            array_map(
                static fn ($line): string => "{$line->amount->currency->code} {$line->amount->decimal()} {$line->base->decimal()}",
                $plan->presented,
            ),
        );
    }

    public function test_the_voucher_and_its_mirror_on_day_one(): void
    {
        $plan = $this->plan(CreditBalancePolicy::Customer);
        self::assertNotNull($plan->voucher);
        self::assertNotNull($plan->mirror);
        $lines = static fn ($voucher): array => array_map(
            static fn ($line): string => "{$line->account->number} {$line->base->decimal()}",
            $voucher->lines,
        );
        self::assertSame(['1150 305.50', '2150 -305.50'], $lines($plan->voucher));
        self::assertSame(['1150 -305.50', '2150 305.50'], $lines($plan->mirror));
        self::assertSame(['2026-10-31', '2026-11-01'], [$plan->voucher->date, $plan->mirror->date]);
        // It stands beside the control account and never in it, so the proof is untouched.
        self::assertTrue($plan->voucher->effectOn(Sample::accounts()->numbered('1100'))->isZero());
    }

    public function test_customers_below_the_limit_are_listed_as_left(): void
    {
        $plan = $this->plan(CreditBalancePolicy::Customer, '100.00');
        self::assertSame(['C2'], array_map(static fn ($line): string => $line->customer->number, $plan->presented));
        self::assertSame(['C3'], array_map(static fn ($line): string => $line->customer->number, $plan->leftOut()));
        self::assertStringContainsString('below the limit', $plan->leftOut()[0]->why);
    }

    public function test_a_credit_of_just_the_limit_is_presented_and_each_line_says_why(): void
    {
        $plan = $this->plan(CreditBalancePolicy::Customer, '250.00');
        self::assertSame(
            ['250.00 balance in credit'],
            array_map(static fn ($line): string => "{$line->base->decimal()} {$line->why}", $plan->presented),
        );
        self::assertSame(
            ['-55.50 below the limit of 250.00'],
            array_map(static fn ($line): string => "{$line->base->decimal()} {$line->why}", $plan->leftOut()),
        );
        self::assertSame(
            ['unapplied credit'],
            array_values(array_unique(array_column($this->plan(CreditBalancePolicy::Item)->presented, 'why'))),
        );
    }

    /** Customers of whom nothing is in credit may be given as one sum, and what a policy nets may be added up before. */
    public function test_the_same_follows_from_merged_standings_and_a_sum_of_the_others(): void
    {
        $standing = static fn (int $customer, int $item, int $base): Standing => new Standing(
            Sample::customer($customer),
            $item,
            "D{$item}",
            Currency::of('EUR'),
            $base,
            $base,
            $base < 0,
        );
        $all = [$standing(1, 1, 600_00), $standing(1, 2, 400_00), $standing(3, 3, 20_00), $standing(3, 4, -70_00), $standing(3, 5, -5_50)];
        $rule = new CreditBalances(Sample::accounts(), new LockedDays(null), Currency::of('EUR'));
        foreach (CreditBalancePolicy::cases() as $policy) {
            $plan = static fn (array $standings, ?Money $others) => $rule->plan(
                Sample::accounts()->numbered('1100'),
                '2026-10-31',
                $standings,
                $policy,
                Money::zero('EUR'),
                $others,
            );
            self::assertEquals($plan($all, null), $plan(Standing::merged($all, $policy), null), $policy->value);
            self::assertEquals($plan($all, null), $plan(array_slice($all, 2), Money::parse('1000.00', 'EUR')), $policy->value);
        }
        self::assertSame([1000_00, null], [Standing::owed(array_slice($all, 0, 2)), Standing::owed(array_slice($all, 2))]);
        self::assertSame(0, Standing::owed([]));
    }

    public function test_a_locked_day_is_refused(): void
    {
        $this->expectException(Refusal::class);
        $this->plan(CreditBalancePolicy::Customer, locked: '2026-10-31');
    }

    public function test_where_nobody_is_in_credit_nothing_is_posted(): void
    {
        $rule = new CreditBalances(Sample::accounts(), new LockedDays(null), Currency::of('EUR'));
        $standings = [
            new Standing(Sample::customer(1), 1, 'D1', Currency::of('EUR'), 100_00, 100_00, false),
            new Standing(Sample::customer(2), 2, 'D2', Currency::of('EUR'), 50_00, 50_00, false),
            new Standing(Sample::customer(2), 3, 'D3', Currency::of('EUR'), -50_00, -50_00, true),
        ];
        $plan = $rule->plan(
            Sample::accounts()->numbered('1100'),
            '2026-10-31',
            $standings,
            CreditBalancePolicy::Customer,
            Money::zero('EUR'),
        );
        self::assertSame([[], [], null, null], [$plan->presented, $plan->leftOut(), $plan->voucher, $plan->mirror], 'nil is no credit');
        self::assertTrue($plan->isEmpty());
        $this->expectExceptionMessage('There is nothing to post');
        $plan->addTo(new PlanBuilder);
    }

    public function test_a_customers_credits_in_several_currencies_come_to_base_where_they_are_netted(): void
    {
        $rule = new CreditBalances(Sample::accounts(), new LockedDays(null), Currency::of('EUR'));
        $said = static fn (string ...$currencies): array => array_map(
            static fn ($of): string => "{$of->amount->currency->code} {$of->amount->decimal()} {$of->base->decimal()}",
            $rule->plan(
                Sample::accounts()->numbered('1100'),
                '2026-10-31',
                array_map(
                    static fn (string $code): Standing => new Standing(
                        Sample::customer(),
                        1,
                        'D',
                        Currency::of($code),
                        -40_00,
                        -46_00,
                        true,
                    ),
                    $currencies,
                ),
                CreditBalancePolicy::Customer,
                Money::zero('EUR'),
            )->presented,
        );
        self::assertSame(['GBP 80.00 92.00'], $said('GBP', 'GBP'));
        self::assertSame(['EUR 138.00 138.00'], $said('GBP', 'USD', 'GBP'));
    }

    public function test_beside_a_run_that_presents_the_same_nothing_is_left_and_beside_another_all_of_it(): void
    {
        $plan = $this->plan(CreditBalancePolicy::Customer);
        $same = $plan->beside(7, true);
        self::assertSame([[], '0.00', '305.50'], [$same->lines(), $same->total()->decimal(), $same->liability()->decimal()]);
        self::assertTrue($same->isEmpty());
        self::assertSame(
            ['-250.00 presented already by run 7', '-55.50 presented already by run 7'],
            array_map(static fn ($line): string => "{$line->base->decimal()} {$line->why}", $same->leftOut()),
        );
        $other = $plan->beside(7, false);
        self::assertSame([7, 2, '305.50'], [$other->outOfDate, count($other->lines()), $other->total()->decimal()]);
        self::assertFalse($other->isEmpty());
    }

    /** The limit looks at all that the customer has in credit, whatever the policy lists apart. */
    public function test_the_limit_is_of_the_customer(): void
    {
        $plan = $this->plan(CreditBalancePolicy::Item, '75.50');
        self::assertSame(['D2', 'D4'], array_column($plan->presented, 'document'));
        self::assertSame(['D4'], array_column($this->plan(CreditBalancePolicy::Item, '75.51')->leftOut(), 'document'));
    }

    public function test_what_is_owed_where_nothing_is_in_credit(): void
    {
        $of = static fn (int $base): Standing => new Standing(Sample::customer(), 1, 'D', Currency::of('EUR'), $base, $base, $base < 0);
        self::assertSame([5, 0, null], [Standing::owed([$of(5), $of(0)]), Standing::owed([]), Standing::owed([$of(9), $of(-1)])]);
        $merged = Standing::merged([$of(5), $of(-2), $of(-1)], CreditBalancePolicy::Customer);
        self::assertSame([2], array_column($merged, 'base'));
        self::assertSame([5, -3], array_column(Standing::merged([$of(5), $of(-2), $of(-1)], CreditBalancePolicy::Item), 'base'));
    }
}
