<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** The two sides of a proof added up. Amounts are minor units of base currency, debit-positive. */
final readonly class ProofTotals
{
    /**
     * @param int $imported postings that came from the ledger
     * @param int $own postings of Ajuste that the ledger has not taken over yet
     * @param int $customers the items
     * @param int $postings how many there are, and so is $items
     */
    public function __construct(public int $imported, public int $own, public int $customers, public int $postings, public int $items) {}

    public function plus(self $other): self
    {
        return new self(
            $this->imported + $other->imported,
            $this->own + $other->own,
            $this->customers + $other->customers,
            $this->postings + $other->postings,
            $this->items + $other->items,
        );
    }
}
