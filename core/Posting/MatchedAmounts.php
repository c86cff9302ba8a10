<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

use Ajuste\Core\Money\Money;

/** What a match takes off both of its items, and the base that it moves off each. */
final readonly class MatchedAmounts
{
    public function __construct(public Money $amount, public Money $debitBase, public Money $creditBase) {}

    /** Both sides move the same base. */
    public static function even(Money $amount, Money $base): self
    {
        return new self($amount, $base, $base);
    }
}
