<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use Ajuste\Core\Money\Money;

/** By what a document was settled so far, in its currency (R4). Cash is cash: a discount that came with it is not in it. */
final readonly class Paid
{
    public function __construct(public Money $cash, public Money $discounted, public Money $credited) {}
}
