<?php

declare(strict_types=1);

namespace App\Actions;

/** A bank line, the customer whose money it is, and what was ticked. */
final readonly class ReceiptRequest
{
    /**
     * @param array<int, string> $typed amount to settle as typed, by item id; blank: as much as there is
     * @param list<int> $discounts items of which the discount is taken
     */
    public function __construct(public int $lineId, public int $customerId, public array $typed, public array $discounts) {}
}
