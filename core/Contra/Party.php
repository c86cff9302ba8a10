<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Subledger\Customer;

/** A customer who is a supplier too, in one currency. */
final readonly class Party
{
    public function __construct(public Customer $customer, public Supplier $supplier, public Currency $currency) {}
}
