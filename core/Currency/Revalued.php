<?php

declare(strict_types=1);

namespace Ajuste\Core\Currency;

use Ajuste\Core\Money\Money;

/** An open item at the closing rate. Base currency, debit-positive: a gain above zero. */
final readonly class Revalued
{
    public Money $change;

    /** @param  Money  $at what its open amount is worth at the closing rate */
    public function __construct(public ForeignItem $of, public ClosingRate $rate, public Money $at)
    {
        $this->change = $at->minus($of->carried);
    }

    public function why(): string
    {
        return "{$this->rate->words()}: {$this->at->grouped()}, carried {$this->of->carried->grouped()}";
    }
}
