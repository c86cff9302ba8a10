<?php

declare(strict_types=1);

namespace Ajuste\Core\Credit;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Closure;

/** What a customer owes beside its limit, both in one currency so that they can be compared. */
final readonly class Owed
{
    private function __construct(public Money $owed, public Money $limit) {}

    /**
     * In the limit's currency where nothing is owed in another, else in base: what is carried beside the limit at the day's rate.
     *
     * @param array<string, Money> $open debit-positive, by currency
     * @param Money $carried all of it, base currency, debit-positive
     * @param Closure(Money): ?Money $toBase an amount at the day's rate; null: no rate serves, and only what is owed in the limit's
     *                                       currency is compared
     */
    public static function beside(Money $limit, array $open, Money $carried, Closure $toBase): self
    {
        $own = $open[$limit->currency->code] ?? Money::zero($limit->currency);
        $others = array_filter($open, static fn (Money $of): bool => ! $of->isZero() && ! $of->isIn($limit->currency));
        $inBase = $others === [] ? null : $toBase($limit);

        return $inBase === null ? new self($own, $limit) : new self($carried, $inBase);
    }

    /** By how much it is above the limit; null where it is not. */
    public function over(): ?Money
    {
        return $this->owed->isMoreThan($this->limit) ? $this->owed->minus($this->limit) : null;
    }

    public function currency(): Currency
    {
        return $this->owed->currency;
    }
}
