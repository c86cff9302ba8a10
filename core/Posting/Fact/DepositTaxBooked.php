<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Ref;

/** Tax that was due when a deposit was paid (R2), base currency. */
final readonly class DepositTaxBooked implements Fact
{
    /** @param  string  $rate percent */
    public function __construct(public Ref $deposit, public string $rate, public Money $tax) {}
}
