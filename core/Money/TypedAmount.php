<?php

declare(strict_types=1);

namespace Ajuste\Core\Money;

use Ajuste\Core\Refusal;

/**
 * Reads an amount as people type or paste it: `1.234,56`, `1,234.56`, `1 234.56`, `1'234.56` and plain `1234.56`. What could
 * mean two things is refused with both readings named, and so is a minus or brackets: the kind of a document
 * decides the side, never a sign. A point with exactly the currency's decimals behind it is how Ajuste itself writes an
 * amount, also where the currency has three: `123.450` in KWD.
 */
final class TypedAmount
{
    /**
     * @return Money zero or above
     *
     * @throws Refusal when the text is no amount, has a sign or can be read in two ways
     */
    public static function read(string $typed, Currency $currency): Money
    {
        $text = str_replace(["\u{a0}", "\u{202f}", ' ', "'", '’'], '', trim($typed));
        if (preg_match('/^(\(.*\)|[-\x{2212}].*|.*[-\x{2212}])$/u', $text) === 1) {
            throw new Refusal(
                "“{$typed}” carries a minus or brackets. Amounts are typed positive: if the other side is meant, choose the other "
                    .'side.',
            );
        }
        if (preg_match('/^\d+$/D', $text) === 1) {
            return Money::parse($text, $currency);
        }
        if (
            preg_match('/^(\d+|\d{1,3}(?:([.,])\d{3})*)([.,])(\d+)$/D', $text, $part) !== 1 ||
            ($part[2] !== '' && $part[2] === $part[3] && strlen($part[4]) !== 3)
        ) {
            throw new Refusal("“{$typed}” is not an amount. Type figures, such as 1234.56 or 1.234,56.");
        }
        [, $head, $group, $last, $tail] = $part;
        $digits = str_replace(['.', ','], '', $head);
        if ($group !== '' && $group === $last) {
            // 1.234.567: only groups
            return Money::parse($digits.$tail, $currency);
        }
        if ($group === '' && strlen($tail) === 3 && strlen($head) <= 3 && $head !== '0') {
            if ($currency->decimals === 3 && $last === '.') {
                return Money::parse($digits.'.'.$tail, $currency);
            }
            if ($currency->decimals === 3) {
                throw new Refusal(
                    "“{$typed}” can be read as {$digits}.{$tail} or as {$digits}{$tail}. Type {$digits}.{$tail}0 or {$digits}{$tail}.",
                );
            }
            if ($currency->decimals === 0) {
                return Money::parse($digits.$tail, $currency);
            }
            throw new Refusal(
                "“{$typed}” can be read as {$digits}{$tail} or as {$digits}.{$tail}. Type {$digits}{$tail} or an amount "
                    ."with {$currency->decimals} decimals.",
            );
        }

        return Money::parse($digits.'.'.$tail, $currency);
    }
}
