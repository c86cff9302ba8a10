<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** An item of a proposal with the amount to settle; the discount is part of it. */
final readonly class Settles
{
    public function __construct(public Candidate $item, public int $amount, public int $discount = 0) {}

    public static function inFull(Candidate $item, bool $lessDiscount = false): self
    {
        return new self($item, $item->open, $lessDiscount ? $item->discount : 0);
    }

    /** What it takes off the receipt; a credit gives. */
    public function cash(): int
    {
        return $this->item->side->sign() * ($this->amount - $this->discount);
    }
}
