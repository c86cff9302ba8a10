<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\DateOrder;

/** A day as other systems write it: with the month in letters, or as the number that a sheet counts. */
final class ForeignDate
{
    private const MONTHS = [
        ['jan', 'january', 'ene', 'enero', 'januar', 'janv', 'janvier', 'gen', 'gennaio', 'janeiro', 'januari', 'janner'],
        ['feb', 'february', 'febrero', 'februar', 'fev', 'fevr', 'fevrier', 'febbraio', 'fevereiro', 'februari'],
        ['mar', 'march', 'marzo', 'marz', 'maerz', 'mrz', 'mars', 'marco', 'maart', 'mrt'],
        ['apr', 'april', 'abr', 'abril', 'avr', 'avril', 'aprile'],
        ['may', 'mayo', 'mai', 'mag', 'maggio', 'maio', 'mei'],
        ['jun', 'june', 'junio', 'juni', 'juin', 'giu', 'giugno', 'junho'],
        ['jul', 'july', 'julio', 'juli', 'juil', 'juillet', 'lug', 'luglio', 'julho'],
        ['aug', 'august', 'ago', 'agosto', 'aou', 'aout', 'augustus'],
        ['sep', 'sept', 'september', 'septiembre', 'set', 'septembre', 'settembre', 'setembro'],
        ['oct', 'october', 'octubre', 'okt', 'oktober', 'octobre', 'ott', 'ottobre', 'out', 'outubro'],
        ['nov', 'november', 'noviembre', 'novembre', 'novembro'],
        ['dec', 'december', 'dic', 'diciembre', 'dez', 'dezember', 'decembre', 'dicembre', 'dezembro'],
    ];

    /** Days from which on, and up to which, a number counts as one of a sheet: 1982 to 2064. */
    private const FIRST = 30_000;

    private const LAST = 60_000;

    /** The ISO form; null where the text is no day in this order. */
    public static function iso(string $text, DateOrder $order): ?string
    {
        $text = trim($text);
        if (preg_match('/^(\d{5})(?:\.\d+)?$/D', $text, $part) === 1) {
            $number = (int) $part[1];

            return $number >= self::FIRST && $number <= self::LAST ? Day::plus('1899-12-30', $number) : null;
        }
        $day = $order->iso($text) ?? self::inLetters($text);

        return $day !== null && Day::isDay($day) ? $day : null;
    }

    /** `31-Oct-2026`, `31. Oktober 2026`, `Oct 31, 2026`, `31 de octubre de 2026`, `2026-Oct-31`. */
    private static function inLetters(string $text): ?string
    {
        $words = array_values(array_diff(explode(' ', PlainWords::of($text)), ['de', 'del', 'di', 'do', 'of', 'den']));
        if (count($words) !== 3) {
            return null;
        }
        foreach (self::MONTHS as $place => $names) {
            foreach ($words as $at => $word) {
                if (! in_array($word, $names, true)) {
                    continue;
                }
                $others = array_values(array_diff_key($words, [$at => 0]));
                [$day, $year] = strlen($others[0]) === 4 ? [$others[1], $others[0]] : $others;
                $day = (string) preg_replace('/(?<=\d)(?:st|nd|rd|th)$/', '', $day);
                $year = strlen($year) === 2 ? "20{$year}" : $year;

                return ctype_digit($day) && ctype_digit($year) ? sprintf('%04d-%02d-%02d', (int) $year, $place + 1, (int) $day) : null;
            }
        }

        return null;
    }
}
