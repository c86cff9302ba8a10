<?php

declare(strict_types=1);

namespace App\Values;

/** For whom, or for which document, a promise was given or security is held. */
final readonly class CreditFor
{
    /** @param  ?int  $itemId null: whatever the customer owes */
    public function __construct(public int $customerId, public ?int $itemId = null) {}

    /** As the trail names it. */
    public function subject(): string
    {
        return $this->itemId === null ? "customer {$this->customerId}" : "item {$this->itemId}";
    }
}
