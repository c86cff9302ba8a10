<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use Ajuste\Core\Money\Money;

/** The side of the customer's account on which an item stands. */
enum Side: string
{
    case Debit = 'debit';
    case Credit = 'credit';

    /** +1 for a debit, −1 for a credit: the sense of every signed amount in Ajuste. */
    public function sign(): int
    {
        return $this === self::Debit ? 1 : -1;
    }

    public function opposite(): self
    {
        return $this === self::Debit ? self::Credit : self::Debit;
    }

    /** The amount as this side counts it: a debit above zero, a credit below. */
    public function signed(Money $amount): Money
    {
        return $this === self::Debit ? $amount : $amount->negated();
    }

    public static function ofSign(int $signed): self
    {
        return $signed < 0 ? self::Credit : self::Debit;
    }
}
