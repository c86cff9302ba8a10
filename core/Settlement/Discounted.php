<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;

/** What of an invoice is settled, the discount in it, and the money that is missing for what was meant to be settled. */
final readonly class Discounted
{
    public function __construct(public Money $settled, public Money $discount, public Money $missing) {}
}
