<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;

/**
 * A credit in one currency that becomes a credit in another, so that it can settle items there (R3). Between two foreign currencies it
 * keeps what it carries, and the match realises the difference (R9); into base currency it carries what it is worth.
 */
final readonly class Conversion
{
    /** What the new credit carries, base currency. */
    public Money $base;

    /**
     * @param Money $moved what the converted part carried, base currency
     * @param Money $worth what comes of it, in the other currency
     */
    public function __construct(public Money $moved, Money $worth)
    {
        $this->base = $worth->currency->code === $moved->currency->code ? $worth : $moved;
    }

    /** Above zero it is a gain: less is owed to the customer than before. Base currency. */
    public function realised(): Money
    {
        return $this->moved->minus($this->base);
    }
}
