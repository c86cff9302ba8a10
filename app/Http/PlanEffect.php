<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Money\Money;

/** What the books would show once a plan is posted. Base currency. */
final readonly class PlanEffect
{
    /**
     * @param Money $balance of the customer, debit-positive
     * @param Money $difference between control account and customers
     * @param Money $result what it adds to the result of the year, a profit above zero
     */
    public function __construct(public Money $balance, public Money $difference, public Money $result) {}
}
