<?php

declare(strict_types=1);

namespace Tests\Core\Presentation;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
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
        $standing = static fn (int $customer, int $item, int $base): Standing => new Standing($customer, "C{$customer}", "Customer {$customer}", $item, "D{$item}", 'EUR', $base, $base, $base < 0);
        $rule = new CreditBalances(Sample::accounts(), new LockedDays($locked), Currency::of('EUR'));

        return $rule->plan(Sample::accounts()->numbered('1100'), '2026-10-31', [$standing(1, 1, 1000_00), $standing(2, 2, -250_00), $standing(3, 3, 20_00), $standing(3, 4, -75_50)], $policy, Money::parse($limit, 'EUR'));
    }

    public function test_by_customer_net(): void
    {
        $plan = $this->plan(CreditBalancePolicy::Customer);
        self::assertSame(['250.00', '55.50'], array_map(static fn ($line): string => $line->base->decimal(), $plan->lines));
        self::assertSame('305.50', $plan->total->decimal());
        // After it: control + presentation = sum of debit balances; customers in credit = sum presented.
        self::assertSame('694.50', $plan->net()->decimal());
        self::assertSame('1000.00', $plan->receivablesAfter()->decimal());
        self::assertSame($plan->debitBalances->decimal(), $plan->receivablesAfter()->decimal());
    }

    public function test_by_item(): void
    {
        $plan = $this->plan(CreditBalancePolicy::Item);
        self::assertSame(['D2 250.00', 'D4 75.50'], array_map(static fn ($line): string => "{$line->document} {$line->base->decimal()}", $plan->lines));
        self::assertSame('325.50', $plan->total->decimal());
        // Plus the credits presented beyond net: 20.00.
        self::assertSame('1020.00', $plan->receivablesAfter()->decimal());
    }

    public function test_by_customer_and_currency(): void
    {
        $rule = new CreditBalances(Sample::accounts(), new LockedDays(null), Currency::of('EUR'));
        $plan = $rule->plan(Sample::accounts()->numbered('1100'), '2026-10-31', [
            new Standing(1, 'C1', 'One', 1, 'D1', 'EUR', 100_00, 100_00, false), new Standing(1, 'C1', 'One', 2, 'D2', 'GBP', -40_00, -46_00, true),
        ], CreditBalancePolicy::CustomerCurrency, Money::zero('EUR'));
        self::assertSame(['GBP 40.00 46.00'], array_map(static fn ($line): string => "{$line->amount->currency->code} {$line->amount->decimal()} {$line->base->decimal()}", $plan->lines));
    }

    public function test_the_voucher_and_its_mirror_on_day_one(): void
    {
        $plan = $this->plan(CreditBalancePolicy::Customer);
        self::assertNotNull($plan->voucher);
        self::assertNotNull($plan->mirror);
        $lines = static fn ($voucher): array => array_map(static fn ($line): string => "{$line->account->number} {$line->base->decimal()}", $voucher->lines);
        self::assertSame(['1150 305.50', '2150 -305.50'], $lines($plan->voucher));
        self::assertSame(['1150 -305.50', '2150 305.50'], $lines($plan->mirror));
        self::assertSame(['2026-10-31', '2026-11-01'], [$plan->voucher->date, $plan->mirror->date]);
        // It stands beside the control account and never in it, so the proof is untouched.
        self::assertTrue($plan->voucher->effectOn(Sample::accounts()->numbered('1100'))->isZero());
    }

    public function test_customers_below_the_limit_are_listed_as_left(): void
    {
        $plan = $this->plan(CreditBalancePolicy::Customer, '100.00');
        self::assertSame(['C2'], array_map(static fn ($line): string => $line->customer, $plan->lines));
        self::assertSame(['C3'], array_map(static fn ($line): string => $line->customer, $plan->left));
        self::assertStringContainsString('below the limit', $plan->left[0]->why);
    }

    public function test_a_locked_day_is_refused(): void
    {
        $this->expectException(Refusal::class);
        $this->plan(CreditBalancePolicy::Customer, locked: '2026-10-31');
    }
}
