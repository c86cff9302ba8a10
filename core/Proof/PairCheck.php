<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\SheetFigures;
use Ajuste\Core\Refusal;

/**
 * Two amounts side by side in a list that somebody keeps, or one column in which both stand mixed: what has a counterpart, what has none,
 * what is there twice.
 */
final class PairCheck
{
    public const PAIRED = 'has its counterpart';

    public const ALONE = 'without a counterpart';

    public const TWICE = 'there twice';

    /**
     * Amounts with opposite signs in one column, or in two columns, and the same key, pair off one against one in the order of the
     * list; of what is left, a row with the key and amount of an earlier one is there twice.
     *
     * @param list<array{string, ?int, ?int}> $rows key, amount charged and amount paid, minor units; in one mixed column the sign says
     *                                              which
     * @return list<array{string, ?int}> for each row what it is and the row of its counterpart
     */
    public static function of(array $rows): array
    {
        /** @var array<string, list<int>> $waiting rows by key and signed amount */
        $waiting = [];
        $told = array_map(static fn (): array => [self::ALONE, null], $rows);
        $seen = [];
        foreach ($rows as $place => [$key, $charged, $paid]) {
            if ($charged !== null && $paid !== null && $charged !== 0 && abs($charged) === abs($paid)) {
                $told[$place] = [self::PAIRED, $place];

                continue;
            }
            $signed = ($charged ?? 0) - ($paid ?? 0);
            $opposite = "{$key}\0".-$signed;
            if (($waiting[$opposite] ?? []) !== [] && $signed !== 0) {
                $other = array_shift($waiting[$opposite]);
                $told[$place] = [self::PAIRED, $other];
                $told[$other] = [self::PAIRED, $place];

                continue;
            }
            $waiting["{$key}\0{$signed}"][] = $place;
        }
        foreach ($rows as $place => [$key, $charged, $paid]) {
            $says = "{$key}\0".($charged ?? '')."\0".($paid ?? '');
            if ($told[$place][0] === self::ALONE && isset($seen[$says])) {
                $told[$place] = [self::TWICE, $seen[$says]];
            }
            $seen[$says] ??= $place;
        }

        return $told;
    }

    /**
     * An amount as sheets have it: minus, brackets, Dr and Cr, either decimal mark.
     *
     * @throws Refusal when the cell is no amount
     */
    public static function amount(string $cell, Currency $currency): ?int
    {
        $text = str_replace(["\u{a0}", "\u{202f}", ' ', "'", '’'], '', trim($cell));
        if ($text === '' || $text === '-') {
            return null;
        }
        $negative = preg_match('/^[-−(]|[-−)]$|CR$/iu', $text) === 1;
        $plain = (string) preg_replace('/[^\d.,]/u', '', $text);
        if (preg_match('/\d/', $plain) !== 1) {
            throw new Refusal("“{$cell}” is not an amount.");
        }
        $minor = SheetFigures::read($plain, $currency)->minor;

        return $negative ? -$minor : $minor;
    }
}
