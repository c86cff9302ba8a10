<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Exchange\Mod97;

/** An international bank account number (ISO 13616): country, two check digits, up to 30 letters and figures. */
final class Iban
{
    public static function isValid(string $text): bool
    {
        $plain = self::plain($text);

        return preg_match('/^[A-Z]{2}\d{2}[A-Z0-9]{10,30}$/D', $plain) === 1 && Mod97::holds($plain);
    }

    public static function plain(string $text): string
    {
        return strtoupper((string) preg_replace('/\s+/', '', $text));
    }
}
