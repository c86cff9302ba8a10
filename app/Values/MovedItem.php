<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;

/** An item that moved a customer's balance. */
final readonly class MovedItem
{
    /** @param  Money  $base debit-positive, base currency */
    public function __construct(
        public int $itemId,
        public Kind $kind,
        public string $document,
        public string $date,
        public int $customerId,
        public string $customer,
        public Money $base,
    ) {}
}
