<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Money;

/** Elements of ISO 20022 messages, as the writers need them again and again. */
final class Element
{
    public static function of(string $name, string $text): string
    {
        return "<{$name}>".htmlspecialchars($text, ENT_XML1 | ENT_QUOTES)."</{$name}>";
    }

    /** An amount without its sign. */
    public static function amount(Money $amount, string $name = 'Amt'): string
    {
        return "<{$name} Ccy=\"{$amount->currency->code}\">{$amount->abs()->decimal()}</{$name}>";
    }

    /** An account by its international number, or by the bank's own. */
    public static function account(string $number): string
    {
        $id = Iban::isValid($number) ? self::of('IBAN', Iban::plain($number)) : '<Othr>'.self::of('Id', $number).'</Othr>';

        return "<Id>{$id}</Id>";
    }
}
