<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Exchange\Mod97;

/**
 * Who collects direct debits, as the SEPA rulebooks number creditors: country, two check digits, three characters of the creditor's own
 * choice that the check digits do not cover, and the country's own number (EPC262-08, from memory).
 */
final class CreditorIdentifier
{
    public static function isValid(string $text): bool
    {
        $plain = Iban::plain($text);

        return preg_match('/^[A-Z]{2}\d{2}[A-Z0-9]{3}[A-Z0-9]{1,28}$/D', $plain) === 1 &&
            Mod97::holds(substr($plain, 0, 4).substr($plain, 7));
    }
}
