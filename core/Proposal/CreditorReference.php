<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

use Ajuste\Core\Exchange\Mod97;

/** Structured creditor references of ISO 11649: RF, two check digits (ISO 7064 MOD 97-10), up to 21 letters and figures. */
final class CreditorReference
{
    /** What stands behind a customer's number, so that no document's number can be meant. */
    private const ACCOUNT = 'ACC';

    /**
     * The one under which a customer may pay whatever is owed: the number, with its check digits.
     *
     * @return string without blanks; blank where the number has nothing of which one can be made, or is too long for one
     */
    public static function ofCustomer(string $number): string
    {
        $plain = preg_replace('/[^A-Z0-9]/', '', strtoupper($number)).self::ACCOUNT;

        return strlen($plain) > strlen(self::ACCOUNT) && strlen($plain) <= 21 ? 'RF'.Mod97::digits('RF', $plain).$plain : '';
    }

    /** A text without references to customers, whose figures are not those of documents. */
    public static function withoutCustomers(string $text): string
    {
        foreach (self::within($text) as $reference) {
            if (str_ends_with($reference, self::ACCOUNT)) {
                $text = (string) preg_replace('/'.implode('\s?', str_split($reference)).'/i', ' ', $text);
            }
        }

        return $text;
    }

    /** As ISO 11649 has it on paper: in fours. */
    public static function grouped(string $plain): string
    {
        return implode(' ', str_split($plain, 4));
    }

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
