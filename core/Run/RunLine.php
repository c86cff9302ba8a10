<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Money\Money;

/** What a run does about one customer or item. */
final readonly class RunLine
{
    /**
     * @param ?int $itemId the item that it is about; null where it is about the customer as a whole
     * @param Money $amount positive, in its currency
     * @param Money $base positive, base currency
     */
    public function __construct(
        public int $customerId,
        public ?int $itemId,
        public Money $amount,
        public Money $base,
        public string $why,
    ) {}
}
