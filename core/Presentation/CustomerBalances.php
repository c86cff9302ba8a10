<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

use Ajuste\Core\Ledger\BalanceSides;
use Ajuste\Core\Money\Money;

/** Open items gathered as the policy nets them, and each customer's balance beside. */
final class CustomerBalances
{
    /** @var array<int, int> minor units of base currency, debit-positive, by customer id */
    private array $balances = [];

    /** @var array<string, CreditGroup> */
    private array $groups = [];

    public function __construct(private readonly CreditBalancePolicy $policy) {}

    public function add(Standing $standing): void
    {
        $customer = $standing->customer;
        $this->balances[$customer->id] = ($this->balances[$customer->id] ?? 0) + $standing->base;
        if ($this->policy === CreditBalancePolicy::Item && ! $standing->credit) {
            return;
        }
        $key = match ($this->policy) {
            CreditBalancePolicy::Customer => $customer->number,
            CreditBalancePolicy::CustomerCurrency => $customer->number."\0".$standing->currency->code,
            CreditBalancePolicy::Item => $customer->number."\0".$standing->document."\0".$standing->itemId,
        };
        $this->groups[$key] ??= new CreditGroup($standing);
        $this->groups[$key]->add($standing);
    }

    /** @return list<CreditGroup> by customer */
    public function groups(): array
    {
        ksort($this->groups, SORT_STRING);

        return array_values($this->groups);
    }

    /**
     * The customers in debit and those in credit, each added up.
     *
     * @param Money $others what further customers owe, base currency
     */
    public function sides(Money $others): BalanceSides
    {
        $debit = array_sum(array_filter($this->balances, static fn (int $balance): bool => $balance > 0));
        $credit = array_sum(array_filter($this->balances, static fn (int $balance): bool => $balance < 0));

        return new BalanceSides(
            Money::ofMinor($debit, $others->currency)->plus($others),
            Money::ofMinor(-$credit, $others->currency),
        );
    }
}
