<?php

declare(strict_types=1);

namespace Ajuste\Core\Measures;

use Ajuste\Core\Money\Money;

/** The credit sales of one period, tax included. */
final readonly class MonthOfSales
{
    public function __construct(public string $name, public int $days, public Money $sales) {}
}
