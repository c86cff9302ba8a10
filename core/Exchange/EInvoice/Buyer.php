<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\EInvoice;

/** The buyer as the invoice names it. */
final readonly class Buyer
{
    /**
     * @param list<string> $numbers by which the seller or a register knows it
     * @param list<string> $taxNumbers
     */
    public function __construct(public array $numbers, public array $taxNumbers, public string $name) {}
}
