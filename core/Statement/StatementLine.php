<?php

declare(strict_types=1);

namespace Ajuste\Core\Statement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;

/** A document on a customer's statement. In its currency. */
final readonly class StatementLine
{
    /**
     * @param Money $amount debit-positive
     * @param Money $open what of it is open as of the day, debit-positive
     * @param Money $contested what of it the customer disputes
     */
    public function __construct(
        public string $date,
        public string $document,
        public Kind $kind,
        public string $dueDate,
        public Money $amount,
        public Money $open,
        public Money $contested,
    ) {}
}
