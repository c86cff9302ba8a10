<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Transliterator;

/** Text in the characters that every bank takes: SWIFT's set x, Latin letters without marks, figures and / - ? : ( ) . , ' + and blank. */
final class SwiftText
{
    public static function of(string $text, int $most): string
    {
        $latin = Transliterator::create('Any-Latin; Latin-ASCII')?->transliterate($text);
        $plain = (string) preg_replace("~[^A-Za-z0-9/\\-?:().,'+ ]+~", ' ', is_string($latin) ? $latin : $text);

        return trim(substr(trim((string) preg_replace('/ +/', ' ', $plain)), 0, $most));
    }
}
