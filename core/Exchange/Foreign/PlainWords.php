<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Transliterator;

/** Words as they are compared: small letters without marks, single blanks between them. */
final class PlainWords
{
    public static function of(string $text): string
    {
        /** @var array<string, string> $seen */
        static $seen = [];
        if (isset($seen[$text])) {
            return $seen[$text];
        }
        /** @var ?Transliterator $letters */
        static $letters = null;
        $letters ??= Transliterator::create('Any-Latin; Latin-ASCII; Lower()');
        $latin = $letters?->transliterate($text);
        $plain = trim((string) preg_replace('/[^a-z0-9]+/', ' ', is_string($latin) ? $latin : mb_strtolower($text)));
        if (count($seen) < 5_000) {
            $seen[$text] = $plain;
        }

        return $plain;
    }
}
