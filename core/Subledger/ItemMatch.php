<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use Ajuste\Core\Money\Money;

/** A dated link between a debit and a credit item of one customer: the same amount off both, and the base that it moves off each. */
final readonly class ItemMatch
{
    public function __construct(
        public OpenItem $debit,
        public OpenItem $credit,
        public Money $amount,
        public Money $debitBase,
        public Money $creditBase,
    ) {}
}
