<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Subledger\UnappliedSums;

/** A customer with receipts, credits, deposits or refunds that are not matched. */
final readonly class UnappliedCustomer
{
    /**
     * @param string $customer the customer's number
     * @param string $state changes with every change of the customer's items
     * @param ?UnappliedReason $reason why they stay unapplied on purpose
     */
    public function __construct(
        public int $id,
        public string $customer,
        public string $name,
        public UnappliedSums $sums,
        public string $state,
        public ?UnappliedReason $reason = null,
    ) {}
}
