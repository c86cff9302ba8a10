<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;

/** What an event is worth: in base currency, in its own, and the output tax that goes with it. */
final readonly class Worth
{
    public Money $tax;

    /**
     * @param Money $base positive
     * @param Money $original the same in its own currency
     * @param ?Money $tax base currency; null: none
     */
    public function __construct(public Money $base, public Money $original, ?Money $tax = null)
    {
        $this->tax = $tax ?? Money::zero($base->currency);
    }

    /** The original amount signed as the line is, where it is not base already. */
    public function foreign(Money $line): ?Money
    {
        if ($this->original->isIn($this->base->currency)) {
            return null;
        }

        return $line->isNegative() ? $this->original->negated() : $this->original;
    }
}
