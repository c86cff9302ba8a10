<?php

declare(strict_types=1);

namespace Ajuste\Core\Credit;

use Ajuste\Core\Money\Money;

/** A receipt as it counts towards promises. */
final readonly class MoneyCame
{
    /**
     * @param string $date day of the receipt
     * @param Money $amount of the receipt, positive
     * @param array<int, Money> $settled what of it was matched with which document, by item
     */
    public function __construct(public string $date, public Money $amount, public array $settled = []) {}

    /** What of it can count towards a promise for a document, or for any (null). */
    public function towards(?int $itemId): Money
    {
        return $itemId === null ? $this->amount : $this->settled[$itemId] ?? Money::zero($this->amount->currency);
    }
}
