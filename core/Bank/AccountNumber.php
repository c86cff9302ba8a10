<?php

declare(strict_types=1);

namespace Ajuste\Core\Bank;

use Ajuste\Core\Exchange\Bank\Iban;

/** Whether two ways of writing an account number name one account: with or without country, check digits, bank and leading zeros. */
final class AccountNumber
{
    /** Fewer characters than this at the end of an IBAN say nothing. */
    private const SHORTEST = 5;

    public static function isSame(string $one, string $other): bool
    {
        [$one, $other] = [self::plain($one), self::plain($other)];
        [$short, $long] = strlen($one) <= strlen($other) ? [ltrim($one, '0'), $other] : [ltrim($other, '0'), $one];

        return $one === $other || (strlen($short) >= self::SHORTEST && Iban::isValid($long) && str_ends_with($long, $short));
    }

    /** Capitals and figures only, without the bank before a slash; an IBAN without the currency that some banks write behind it. */
    public static function plain(string $number): string
    {
        $plain = (string) preg_replace(['~^.*/(?=.)~', '/[^A-Z0-9]/'], '', strtoupper($number));
        $shorter = substr($plain, 0, -3);

        return ! Iban::isValid($plain) && ctype_alpha(substr($plain, -3)) && Iban::isValid($shorter) ? $shorter : $plain;
    }
}
