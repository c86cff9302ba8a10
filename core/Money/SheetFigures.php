<?php

declare(strict_types=1);

namespace Ajuste\Core\Money;

use Ajuste\Core\Refusal;

/** Figures as sheets and mails have them, of which nobody says what is a decimal mark and what parts thousands. */
final class SheetFigures
{
    /**
     * The last point or comma is before the decimals, unless three figures follow it and the currency has not so many.
     *
     * @param string $figures digits, points and commas, without a sign
     *
     * @throws Refusal when they are no amount of the currency
     */
    public static function read(string $figures, Currency $currency): Money
    {
        $digits = static fn (string $of): string => str_replace(['.', ','], '', $of);
        $tail = strpbrk(strrev($figures), '.,');
        $decimals = $tail === false ? '' : substr($figures, strlen($tail));
        $parted = strlen($decimals) === 3 && $currency->decimals !== 3;

        return Money::parse(
            $tail === false || $parted ? $digits($figures) : ($digits(strrev($tail)) ?: '0').'.'.$decimals,
            $currency,
        );
    }
}
