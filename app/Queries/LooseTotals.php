<?php

declare(strict_types=1);

namespace App\Queries;

/** What is loose over all customers but those with a reason, which are counted apart. Amounts are minor units of base currency, positive. */
final readonly class LooseTotals
{
    public int $customers;

    public int $items;

    public int $loose;

    public int $refunds;

    public int $matchable;

    /** Date of the oldest loose item, blank when there is none. */
    public string $oldest;

    /** Customers whose loose items have a reason. */
    public int $withReason;

    /** @param  list<LooseCustomer>  $all */
    public function __construct(array $all)
    {
        $customers = array_values(array_filter($all, static fn (LooseCustomer $customer): bool => $customer->reason === null));
        $this->withReason = count($all) - count($customers);
        $this->customers = count($customers);
        $this->items = array_sum(array_column($customers, 'items'));
        $this->loose = array_sum(array_column($customers, 'loose'));
        $this->refunds = array_sum(array_column($customers, 'refunds'));
        $this->matchable = array_sum(array_column($customers, 'matchable'));
        $this->oldest = $customers === [] ? '' : min(array_column($customers, 'oldest'));
    }
}
