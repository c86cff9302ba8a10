<?php

declare(strict_types=1);

namespace App\Actions;

/** What a person typed of one line of an invoice; one of the three says how much is credited, and two together are refused. */
final readonly class CreditEntry
{
    /**
     * @param string $quantity that goes back
     * @param string $price that should have been charged
     * @param string $net amount without tax
     */
    public function __construct(public string $quantity = '', public string $price = '', public string $net = '') {}

    public function isBlank(): bool
    {
        return $this->quantity.$this->price.$this->net === '';
    }
}
