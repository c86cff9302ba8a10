<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Money\Money;

/** A specific allowance with what it is of. Base currency. */
final readonly class SpecificLine
{
    public Money $amount;

    /** @param  Money  $exposure what of the customer or document stands to be lost */
    public function __construct(public SpecificAllowance $of, public Money $exposure)
    {
        $this->amount = $of->of($exposure);
    }
}
