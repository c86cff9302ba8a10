<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;

/** A receipt that may be the one which a bank took back with a line of its statement. Amounts are positive, in the line's currency. */
final readonly class ReturnedReceipt
{
    /**
     * The most that a bank adds for its trouble, in units of the currency: beyond it, the line is no return of this receipt (our own
     * limit).
     */
    private const MOST_FEE = 100;

    /** What the bank took beyond the receipt, its charges among it; below zero where it took less. */
    public Money $fee;

    /** Whether it took exactly the receipt. */
    public bool $isSame;

    /**
     * @param Money $taken by the bank, what it charged for it included
     * @param bool $isNamed whether the line quotes the receipt
     */
    public function __construct(
        public int $itemId,
        public string $document,
        public string $customer,
        public string $date,
        public Money $amount,
        public bool $isNamed,
        Money $taken,
    ) {
        $this->fee = $taken->minus($amount);
        $this->isSame = $taken->equals($amount);
    }

    /** The least receipt that the bank may have taken back with an amount. */
    public static function least(Money $taken): Money
    {
        return $taken->minus(Money::ofMinor(self::MOST_FEE * $taken->currency->minorPerUnit(), $taken->currency));
    }

    public function isLikely(): bool
    {
        return $this->isNamed || $this->isSame;
    }

    /** Named by the bank first, then of the same amount, the latest first. */
    public static function byLikelihood(self $one, self $other): int
    {
        return [$other->isNamed, $other->isSame, $other->date] <=> [$one->isNamed, $one->isSame, $one->date];
    }
}
