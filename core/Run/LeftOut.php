<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Customer;

/** What a run leaves out, with the one reason. */
final readonly class LeftOut
{
    /**
     * @param ?int $itemId null where it is about the customer or pair as a whole
     * @param Money $amount signed, in the item's currency: a debit above zero
     * @param Money $base signed, base currency
     * @param bool $mayBeTaken a person may take it along, with a reason
     * @param bool $leftByHand a person left it out although the policy takes it
     */
    public function __construct(
        public Customer $customer,
        public ?int $itemId,
        public string $document,
        public Money $amount,
        public Money $base,
        public string $why,
        public bool $mayBeTaken = false,
        public bool $leftByHand = false,
    ) {}
}
