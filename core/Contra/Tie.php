<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/** So much of a customer's debit is covered by an own credit or by a bill. */
final readonly class Tie
{
    /** @param  Money  $amount in the pair's currency, above zero */
    public function __construct(public OpenItem|Bill $from, public OpenItem $debit, public Money $amount) {}
}
