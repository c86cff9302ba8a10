<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;

/** What a debit collects of one item. */
final readonly class CollectedItem
{
    /** @param  Money  $discount taken along */
    public function __construct(
        public int $itemId,
        public string $document,
        public string $dueDate,
        public Money $amount,
        public Money $discount,
    ) {}

    /** Whether the item still stands so that this can be collected. */
    public function isStill(Money $amount, Money $discount): bool
    {
        return $this->amount->equals($amount) && $this->discount->equals($discount);
    }
}
