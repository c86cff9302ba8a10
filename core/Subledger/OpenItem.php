<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use Ajuste\Core\Money\Money;

/** An item with what is open of it, as of a day. Amounts are positive; the side says which way they go. */
final readonly class OpenItem
{
    /**
     * @param Money $amount the whole item, in its currency
     * @param Money $open still open, in its currency
     * @param Money $base carrying amount of the whole item
     * @param int $matched matched so far, on all days, minor units of its currency
     * @param int $moved base moved off so far, on all days, minor units of base currency
     */
    public function __construct(
        public int $id,
        public string $document,
        public Kind $kind,
        public Side $side,
        public string $date,
        public string $dueDate,
        public Money $amount,
        public Money $open,
        public Money $base,
        public int $matched,
        public int $moved,
        public string $reference = '',
        public string $terms = '',
        public int $customerId = 0,
        public int $controlAccountId = 0,
    ) {}

    public function title(): string
    {
        return ucfirst($this->kind->words()).' '.$this->document;
    }

    /** The same item as it counts in a match where it is worth something else than what it stands for: with its tax, or in another currency. */
    public function countedAs(Money $worth): self
    {
        return new self(
            $this->id, $this->document, $this->kind, $this->side, $this->date, $this->dueDate, $worth, $worth, $this->base, 0, 0, $this->reference, $this->terms, $this->customerId, $this->controlAccountId,
        );
    }

    /**
     * What the next part of it moves off, base currency (R1): rounded so that the parts add up to the whole.
     *
     * @param Money $part in the item's currency
     */
    public function moves(Money $part): Money
    {
        return Money::ofMinor(CarryingAmount::movedBy($this->base->minor, $this->amount->minor, $this->matched, $this->moved, $part->minor), $this->base->currency);
    }
}
