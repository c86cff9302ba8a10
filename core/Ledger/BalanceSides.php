<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/** Balances in debit, and those in credit, each added up; both positive, base currency. */
final readonly class BalanceSides
{
    public function __construct(public Money $debit, public Money $credit) {}

    /** @param  iterable<Money>  $balances debit-positive */
    public static function of(iterable $balances, Currency $base): self
    {
        $debit = $credit = Money::zero($base);
        foreach ($balances as $balance) {
            $balance->isNegative() ? ($credit = $credit->minus($balance)) : ($debit = $debit->plus($balance));
        }

        return new self($debit, $credit);
    }

    public function areEqual(): bool
    {
        return $this->debit->equals($this->credit);
    }
}
