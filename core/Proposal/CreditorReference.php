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
     * Valid references within a text, written with or without blanks, tried at every place where one may begin.
     *
     * @return list<string> without blanks
     */
    public static function within(string $text): array
    {
        preg_match_all('/(?=(RF\d\d(?:\s?[A-Z0-9]){1,21}))/i', $text, $found);
        $references = [];
        foreach ($found[1] as $candidate) {
            // What follows may be another word: whatever is valid and ends with a word counts.
            $words = (array) preg_split('/\s+/', trim($candidate));
            for ($count = count($words); $count > 0; $count--) {
                $reference = self::plain(implode('', array_slice($words, 0, $count)));
                self::isValid($reference) && ($references[] = $reference);
            }
        }

        return array_values(array_unique($references));
    }
}
