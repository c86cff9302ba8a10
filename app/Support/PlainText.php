<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Str;

/** Text as it is compared when somebody looks for it: small letters without accents. */
final class PlainText
{
    public static function of(?string $text): string
    {
        $text ??= '';

        return strtolower(mb_check_encoding($text, 'ASCII') ? $text : Str::ascii($text));
    }

    /** A pattern of SQL, escaped by a backslash, for what holds the text somewhere. */
    public static function within(string $asked): string
    {
        return '%'.addcslashes(self::of($asked), '%_\\').'%';
    }
}
