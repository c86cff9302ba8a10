<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

use Ajuste\Core\Money\Money;

/** One credit that is presented as a liability, or is left. */
final readonly class PresentedCredit
{
    /**
     * @param ?int $itemId the item where the policy is by item
     * @param string $document likewise, else blank
     * @param Money $amount positive, in its currency (in base where several currencies are netted)
     * @param Money $base positive, base currency
     */
    public function __construct(
        public int $customerId,
        public string $customer,
        public string $name,
        public ?int $itemId,
        public string $document,
        public Money $amount,
        public Money $base,
        public string $why,
    ) {}
}
