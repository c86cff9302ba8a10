<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Money\Money;

/** What a contra takes of a bill. */
final readonly class BillPart
{
    /** @param  Money  $base its share of the carrying amount, base currency */
    public function __construct(public Bill $bill, public Money $amount, public Money $base) {}

    /** The bill after it. */
    public function left(): Bill
    {
        return $this->bill->less($this);
    }
}
