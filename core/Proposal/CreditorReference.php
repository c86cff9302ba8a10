<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

use Ajuste\Core\Exchange\Mod97;

/** Structured creditor references of ISO 11649: RF, two check digits (ISO 7064 MOD 97-10), up to 21 letters and figures. */
final class CreditorReference
{
    public static function isValid(string $reference): bool
    {
        $plain = self::plain($reference);

        return preg_match('/^RF\d\d[A-Z0-9]{1,21}$/D', $plain) === 1 && Mod97::holds($plain);
    }

    public static function plain(string $reference): string
    {
        return strtoupper((string) preg_replace('/\s+/', '', $reference));
    }

    /**
     * Valid references within a text, written with or without blanks.
     *
     * @return list<string> without blanks
     */
    public static function within(string $text): array
    {
        preg_match_all('/(?<![A-Z0-9])RF\d\d(?:\s?[A-Z0-9]){1,21}/i', $text, $found);
        $references = [];
        foreach ($found[0] as $candidate) {
            // What follows may be another word: the longest valid beginning that ends with a word counts.
            $words = (array) preg_split('/\s+/', trim($candidate));
            while ($words !== [] && ! self::isValid(implode('', $words))) {
                array_pop($words);
            }
            if ($words !== []) {
                $references[] = self::plain(implode('', $words));
            }
        }

        return $references;
    }
}
