<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/** Makes text harmless that a spreadsheet would take for a formula (OWASP, "CSV injection": a leading =, +, -, @, tab or return). */
final class SafeCell
{
    public static function of(string $text): string
    {
        return preg_match('/^\s*[=+\-@\t\r]/', $text) === 1 && preg_match('/^-?\d+(\.\d+)?$/D', $text) !== 1 ? "'".$text : $text;
    }
}
