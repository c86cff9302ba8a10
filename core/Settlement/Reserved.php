<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/** A credit that only takes one debit down, such as a discount on its invoice: the two are paired before all others (R9). */
final readonly class Reserved
{
    public function __construct(public OpenItem $debit, public OpenItem $credit, public Money $amount) {}
}
