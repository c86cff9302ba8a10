<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/** Writes rows as CSV of the house format. */
final class CsvWriter
{
    /** @param  list<string>  $cells */
    public static function line(array $cells): string
    {
        return implode(',', array_map(static function (string $cell): string {
            $cell = SafeCell::of($cell);

            return strpbrk($cell, ",\"\r\n;") === false ? $cell : '"'.str_replace('"', '""', $cell).'"';
        }, $cells))."\n";
    }
}
