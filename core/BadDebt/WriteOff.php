<?php

declare(strict_types=1);

namespace Ajuste\Core\BadDebt;

use Ajuste\Core\Money\Money;

/** How one lost debt is borne, base currency: by the specific allowance, by impairment loss, by the tax that comes back. */
final readonly class WriteOff
{
    public function __construct(public Money $fromAllowance, public Money $cost, public Money $tax) {}

    public function base(): Money
    {
        return $this->fromAllowance->plus($this->cost)->plus($this->tax);
    }
}
