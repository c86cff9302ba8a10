<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/** Check digits of ISO 7064 MOD 97-10, as account numbers (ISO 13616) and creditor references (ISO 11649) carry them. */
final class Mod97
{
    /** @param  string  $plain country or RF, two check digits, then letters and figures; no blanks, capitals */
    public static function holds(string $plain): bool
    {
        $remainder = 0;
        foreach (str_split(substr($plain, 4).substr($plain, 0, 4)) as $character) {
            foreach (str_split((string) base_convert($character, 36, 10)) as $digit) {
                $remainder = ($remainder * 10 + (int) $digit) % 97;
            }
        }

        return $remainder === 1;
    }
}
