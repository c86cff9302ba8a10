<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** An item of a proposal with the amount to settle; the discount is part of it. */
final readonly class Settles
{
    public function __construct(public Candidate $item, public int $amount, public int $discount = 0) {}

    public static function inFull(Candidate $item): self
    {
        return new self($item, $item->open);
    }

    /** All of it, less the discount that settling it in full takes along. */
    public static function lessDiscount(Candidate $item): self
    {
        return new self($item, $item->open, $item->discount);
    }

    /** What it takes off the receipt; a credit gives. */
    public function cash(): int
    {
        return $this->item->side->sign() * ($this->amount - $this->discount);
    }
}
