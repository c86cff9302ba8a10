<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/** Check digits of ISO 7064 MOD 97-10, as account numbers (ISO 13616) and creditor references (ISO 11649) carry them. */
final class Mod97
{
    /** @param  string  $plain country or RF, two check digits, then letters and figures; no blanks, capitals */
    public static function holds(string $plain): bool
    {
        return self::remainder(substr($plain, 4).substr($plain, 0, 4)) === 1;
    }

    /**
     * @param string $begins country or RF
     * @param string $rest what follows the check digits; letters and figures, capitals
     */
    public static function digits(string $begins, string $rest): string
    {
        return sprintf('%02d', 98 - self::remainder("{$rest}{$begins}00"));
    }

    private static function remainder(string $plain): int
    {
        $remainder = 0;
        foreach (str_split($plain) as $character) {
            foreach (str_split((string) base_convert($character, 36, 10)) as $digit) {
                $remainder = ($remainder * 10 + (int) $digit) % 97;
            }
        }

        return $remainder;
    }
}
