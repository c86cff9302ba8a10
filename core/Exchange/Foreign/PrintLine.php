<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

/** Lines of a printed list that are none of its rows: totals, page heads, headings once more. */
final class PrintLine
{
    private const WORDS = 'total|totals|grand total|sub total|subtotal|sum|balance|closing balance|page|printed|'
        .'report|end of|as of|customer total|'
        .'suma|sumas|totales|total general|saldo|saldo final|pagina|impreso|fin de|'
        .'summe|gesamt|gesamtsumme|zwischensumme|endsumme|saldo|seite|gedruckt|erstellt|ende|ubertrag|uebertrag|'
        .'somme|totaux|total general|sous total|solde|imprime|edite|fin|report|'
        .'totale|totali|somma|saldo finale|stampato|fine|riporto|'
        .'totais|subtotais|total geral|impresso|fim|'
        .'totaal|totalen|subtotaal|eindtotaal|bladzijde|afgedrukt|einde';

    /**
     * @param list<string> $cells
     * @param list<string> $headings
     * @param list<int> $columns that a row needs to be one
     */
    public static function is(array $cells, array $headings, array $columns): bool
    {
        $filled = array_filter(array_map(trim(...), $cells), static fn (string $cell): bool => $cell !== '');
        if ($filled === [] || array_values($filled) === array_values(array_filter(array_map(trim(...), $headings)))) {
            return true;
        }
        $needed = array_filter($columns, static fn (int $column): bool => ($filled[$column] ?? '') !== '');
        if ($columns !== [] && $needed === []) {
            return true;
        }

        // The sum of a total may stand below anything.
        $named = array_filter($needed, static fn (int $column): bool => ! self::isSum($filled[$column]));

        return self::begins((string) reset($filled)) && count($named) < count($columns);
    }

    /** Whether a text begins as such a line does. */
    public static function begins(string $text): bool
    {
        return preg_match('/^(?:'.self::WORDS.')(?: |$)/', PlainWords::of($text)) === 1;
    }

    private static function isSum(string $cell): bool
    {
        return ! ForeignGuess::isDay($cell) && ForeignAmount::of($cell) !== null && preg_match('/[.,]\d{2}\D*$/D', $cell) === 1;
    }

    /** Whether nothing but figures and lines stands in it. */
    public static function isRule(string $cell): bool
    {
        return preg_match('/^[-=_*. ]+$/D', $cell) === 1;
    }
}
