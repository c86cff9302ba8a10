<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Customer;

/** How often a customer paid short, and by how much in all, base currency. */
final readonly class ShortPayer
{
    public function __construct(public Customer $customer, public int $times, public Money $sum) {}
}
