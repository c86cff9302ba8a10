<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Customer;

/** What a run would do about one item. */
final readonly class PlannedLine
{
    /**
     * @param ?int $itemId null where it is about the customer or pair as a whole
     * @param Money $amount signed, in the item's currency: a debit above zero
     * @param Money $base signed, base currency
     * @param bool $takenAlong a person took it along although the policy leaves it out
     */
    public function __construct(
        public Customer $customer,
        public ?int $itemId,
        public string $document,
        public Money $amount,
        public Money $base,
        public string $why,
        public bool $takenAlong = false,
    ) {}

    public function asRunLine(): RunLine
    {
        return new RunLine($this->customer->id, $this->itemId, $this->amount->abs(), $this->base->abs(), $this->why);
    }
}
