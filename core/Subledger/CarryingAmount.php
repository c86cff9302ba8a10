<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use Ajuste\Core\Money\Rounding;

/** How much base amount a match takes off an item (R1). */
final class CarryingAmount
{
    /**
     * Base moved by a match = round(base × matched so far, this one included, ÷ amount) − base moved so far, in posting
     * order. Of the last match the rest, so that a settled item carries nothing.
     *
     * @param int $base carrying amount of the whole item, minor units of base currency
     * @param int $amount amount of the whole item, minor units of its currency, above zero
     * @param int $matched matched so far, this match not included
     * @param int $moved base moved so far by those matches that stand
     * @param int $now what this match settles
     * @return int minor units of base currency
     */
    public static function movedBy(int $base, int $amount, int $matched, int $moved, int $now): int
    {
        return Rounding::proportion($base, $matched + $now, $amount) - $moved;
    }
}
