<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\SettledBy;

/** A credit that settles something, with the value date by which it earns a discount. */
final readonly class DatedMoney
{
    public function __construct(public Money $amount, public string $valueDate, public SettledBy $by = SettledBy::Cash) {}
}
