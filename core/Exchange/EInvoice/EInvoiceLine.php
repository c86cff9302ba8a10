<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\EInvoice;

use Ajuste\Core\Money\Money;

/** A line of an electronic invoice, or an allowance or charge on the whole of it. */
final readonly class EInvoiceLine
{
    /**
     * @param Money $net an allowance below zero
     * @param string $taxRate percent, or blank
     */
    public function __construct(
        public string $name,
        public string $description,
        public string $quantity,
        public string $unitPrice,
        public Money $net,
        public string $taxRate,
    ) {}
}
