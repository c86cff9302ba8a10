<?php

declare(strict_types=1);

namespace App\Queries;

/** A customer with receipts, credits, deposits or refunds that are not matched. Amounts are minor units of base currency, positive. */
final readonly class LooseCustomer
{
    /**
     * @param int $items loose items
     * @param int $loose sum of the loose credits
     * @param int $refunds paid before their credit
     * @param int $debits what is open on the other side, refunds included
     * @param int $matchable what of it can be matched at once: by currency the lesser of the two sides
     * @param string $oldest date of the oldest loose item
     * @param string $newest when the last of the loose items was recorded
     * @param string $what the kinds, in words
     * @param string $state changes with every change of the customer's open items
     * @param ?LooseReason $reason why it stays loose on purpose
     */
    public function __construct(
        public int $id,
        public string $customer,
        public string $name,
        public int $items,
        public int $loose,
        public int $refunds,
        public int $debits,
        public int $matchable,
        public string $oldest,
        public string $newest,
        public string $what,
        public string $state,
        public ?LooseReason $reason = null,
    ) {}

    public function because(LooseReason $reason): self
    {
        return new self($this->id, $this->customer, $this->name, $this->items, $this->loose, $this->refunds, $this->debits, $this->matchable, $this->oldest, $this->newest, $this->what, $this->state, $reason);
    }

    /** Loose credits less refunds that wait for theirs. */
    public function net(): int
    {
        return $this->loose - $this->refunds;
    }
}
