<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** One change of what is matched on an item: a match (above zero) or its reversal (below zero), on its effective day. */
final readonly class Movement
{
    /**
     * @param int $amount minor units of the item's currency
     * @param int $base minor units of base currency
     * @param ?Kind $with the kind of the item on the other side of the match
     */
    public function __construct(public string $day, public int $amount, public int $base, public ?Kind $with = null) {}

    public function isReversal(): bool
    {
        return $this->amount < 0 || $this->base < 0;
    }
}
