<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/**
 * Finds the open items whose document number or reference is quoted in a remittance (R6). Leading zeros, prefixes and separators do not
 * matter; a number is never found inside a longer one. A blank, comma or semicolon ends a number unless the document itself has it there;
 * a dash, slash or dot may stand inside.
 */
final class ReferenceReader
{
    /** Figures alone count as a quotation from this length on; shorter ones only with their prefix. */
    private const SHORTEST = 3;

    /**
     * @param list<Candidate> $candidates
     * @return list<Candidate> those quoted, oldest due first
     */
    public static function quoted(string $text, array $candidates): array
    {
        [$whole, $bare] = self::numbersIn($text);
        $structured = [];
        foreach (CreditorReference::within($text) as $reference) {
            $structured[$reference] = $structured[substr($reference, 4)] = $structured[ltrim(substr($reference, 4), '0')] = true;
        }
        $exact = $loose = [];
        foreach ($candidates as $candidate) {
            foreach ([$candidate->document, $candidate->reference] as $name) {
                $plain = self::plain($name);
                if ($plain === '') {
                    continue;
                }
                if (isset($whole[$plain]) || isset($structured[$plain]) || isset($structured[self::bare($plain)]) || self::hasWithBlanks($text, $name)) {
                    $exact[$candidate->id] = $candidate;
                } elseif (strlen(self::bare($plain)) >= self::SHORTEST && isset($bare[self::bare($plain)])) {
                    $loose[$candidate->id] = $candidate;
                }
            }
        }
        // Where INV 20301 is written out, CN 20301 is not meant.
        $spoken = [];
        foreach ($exact as $candidate) {
            $spoken[self::bare(self::plain($candidate->document))] = true;
        }
        $quoted = [...$exact, ...array_filter($loose, static fn (Candidate $candidate): bool => ! isset($exact[$candidate->id]) && ! isset($spoken[self::bare(self::plain($candidate->document))]))];
        usort($quoted, Candidate::byAge(...));

        return $quoted;
    }

    /**
     * The numbers of a text: as they stand (also with the word before them as their prefix), and without prefix and leading zeros.
     *
     * @return array{array<string, true>, array<string, true>}
     */
    private static function numbersIn(string $text): array
    {
        $whole = $bare = [];
        $before = '';
        foreach ((array) preg_split('/[^\p{L}\p{N}\/.\-]+/u', mb_strtoupper($text), -1, PREG_SPLIT_NO_EMPTY) as $word) {
            $plain = self::plain((string) $word);
            if ($plain === '') {
                continue;
            }
            $whole[$plain] = true;
            if (preg_match('/\d/', $plain) === 1) {
                $bare[self::bare($plain)] = true;
                if ($before !== '' && ctype_digit($plain)) {
                    $whole[$before.$plain] = true;
                }
                $before = '';
            } else {
                $before = $plain;
            }
        }

        return [$whole, $bare];
    }

    /** Letters and figures only, capitals. */
    private static function plain(string $name): string
    {
        return (string) preg_replace('/[^\p{L}\p{N}]+/u', '', mb_strtoupper($name));
    }

    /** Without the letters in front and the zeros after them. */
    private static function bare(string $plain): string
    {
        $bare = ltrim((string) preg_replace('/^\p{L}+/u', '', $plain), '0');

        return $bare === '' ? $plain : $bare;
    }

    /** A document number that itself holds a blank, comma or semicolon, with those written as they may be. */
    private static function hasWithBlanks(string $text, string $name): bool
    {
        $parts = preg_split('/[\s,;]+/', trim($name), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if (count($parts) < 2) {
            return false;
        }
        $pattern = implode('[\s,;]*', array_map(static fn (string $part): string => preg_quote($part, '/'), $parts));

        return preg_match('/(?<![\p{L}\p{N}])'.$pattern.'(?![\p{L}\p{N}])/iu', $text) === 1;
    }
}
