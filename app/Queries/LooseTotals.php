<?php

declare(strict_types=1);

namespace App\Queries;

/** What is loose over all customers. Amounts are minor units of base currency, positive. */
final readonly class LooseTotals
{
    public int $customers;

    public int $items;

    public int $loose;

    public int $matchable;

    /** Date of the oldest loose item, blank when there is none. */
    public string $oldest;

    /** Customers whose loose items have a reason. */
    public int $withReason;

    /** @param  list<LooseCustomer>  $all those with a reason are counted apart */
    public function __construct(array $all)
    {
        $customers = array_values(array_filter($all, static fn (LooseCustomer $customer): bool => $customer->reason === null));
        $this->withReason = count($all) - count($customers);
        $this->customers = count($customers);
        $this->items = array_sum(array_map(static fn (LooseCustomer $customer): int => $customer->items, $customers));
        $this->loose = array_sum(array_map(static fn (LooseCustomer $customer): int => $customer->loose, $customers));
        $this->matchable = array_sum(array_map(static fn (LooseCustomer $customer): int => $customer->matchable, $customers));
        $this->oldest = $customers === [] ? '' : min(array_map(static fn (LooseCustomer $customer): string => $customer->oldest, $customers));
    }
}
