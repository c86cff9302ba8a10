<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Money\Money;

/** What of a pair is set off. */
final readonly class Offset
{
    /**
     * @param string $document of the contra, on both sides
     * @param list<OffsetPart> $settledFirst what the customer's own credits take of its debits
     * @param list<OffsetPart> $credits the customer's own credits, whole
     * @param non-empty-list<OffsetPart> $debits what is set off of the customer's debits
     * @param non-empty-list<BillPart> $bills what is set off of the supplier's bills
     */
    public function __construct(
        public string $document,
        public Pair $pair,
        public Agreement $agreement,
        public array $settledFirst,
        public array $credits,
        public array $debits,
        public array $bills,
    ) {}

    /** The same under another number. */
    public function named(string $document): self
    {
        return new self($document, $this->pair, $this->agreement, $this->settledFirst, $this->credits, $this->debits, $this->bills);
    }

    /** In the pair's currency. */
    public function amount(): Money
    {
        return Money::sum(array_map(static fn (OffsetPart $part): Money => $part->amount, $this->debits), $this->pair->currency);
    }
}
