<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

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

    public static function ofSign(int $signed): self
    {
        return $signed < 0 ? self::Credit : self::Debit;
    }
}
