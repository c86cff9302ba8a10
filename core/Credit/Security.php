<?php

declare(strict_types=1);

namespace Ajuste\Core\Credit;

use Ajuste\Core\Money\Money;

/** What is held for what a customer owes: a guarantee, an insurance, goods that stay ours until they are paid. */
final readonly class Security
{
    /**
     * @param string $validUntil last day, blank: without end
     * @param ?int $itemId the document that it is for; null: whatever the customer owes
     */
    public function __construct(
        public int $id,
        public string $what,
        public string $reference,
        public string $validUntil,
        public Money $amount,
        public ?int $itemId = null,
    ) {}

    public function holdsOn(string $day): bool
    {
        return $this->validUntil === '' || $day <= $this->validUntil;
    }
}
