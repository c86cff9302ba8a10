<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Money\Money;

/**
 * The spirit level of the proof line: the bubble lies between its marks only when the difference is nil, else it moves off by its
 * logarithm.
 */
final class Vial
{
    /** Offset of the bubble from the middle, −1 to 1. */
    public static function offset(Money $difference): float
    {
        if ($difference->isZero()) {
            return 0.0;
        }
        $far = min(1.0, 0.38 + log10(max(1, abs($difference->minor))) / 13);

        return $difference->minor > 0 ? $far : -$far;
    }
}
