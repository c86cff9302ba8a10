<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/**
 * Finds the open items whose document number or reference is quoted in a remittance (R6). Leading zeros, prefixes and separators do not
 * matter; a number is never found inside a longer one. A blank, comma or semicolon ends a number unless the document itself has it there;
 * a dash, slash or dot joins only where the whole is a known number, else each piece counts by itself; a line's end joins likewise.
 */
final class ReferenceReader
{
    /** Figures alone count as a quotation from this length on; shorter ones only with their prefix. */
    private const SHORTEST = 3;

    /** @var array<array-key, list<Candidate>> by document number and reference as they stand */
    private array $byWhole = [];

    /** @var array<array-key, list<Candidate>> likewise without prefix and leading zeros */
    private array $byBare = [];

    /** @var list<array{string, Candidate}> numbers that hold a blank, comma or semicolon */
    private array $spaced = [];

    /** @param  iterable<Candidate>  $candidates */
    public function __construct(iterable $candidates)
    {
        foreach ($candidates as $candidate) {
            foreach (array_unique([$candidate->document, $candidate->reference]) as $name) {
                $plain = self::plain($name);
                if ($plain !== '') {
                    $this->byWhole[$plain][] = $candidate;
                    $this->byBare[self::bare($plain)][] = $candidate;
                    if (preg_match('/[\s,;]/', trim($name)) === 1) {
                        $this->spaced[] = [$name, $candidate];
                    }
                }
            }
        }
    }

    /**
     * @param list<Candidate> $candidates
     * @return list<Candidate> those quoted, oldest due first
     */
    public static function quoted(string $text, array $candidates): array
    {
        return (new self($candidates))->within($text);
    }

    /** @return list<Candidate> those quoted, oldest due first */
    public function within(string $text): array
    {
        $text = $this->joined(CreditorReference::withoutCustomers($text));
        [$whole, $bare] = $this->numbersIn($text);
        $exact = $loose = [];
        foreach (array_keys($whole) as $number) {
            $exact += self::byId($this->byWhole[$number] ?? []);
        }
        foreach (CreditorReference::within($text) as $reference) {
            $exact += self::byId($this->byWhole[$reference] ?? []) + self::byId($this->byBare[self::bare(substr($reference, 4))] ?? []);
        }
        foreach ($this->spaced as [$name, $candidate]) {
            $exact += self::hasWithBlanks($text, $name) ? self::byId([$candidate]) : [];
        }
        foreach (array_keys($bare) as $number) {
            $loose += strlen((string) $number) >= self::SHORTEST ? self::byId($this->byBare[$number] ?? []) : [];
        }
        // Where INV 20301 is written out, CN 20301 is not meant.
        $spoken = [];
        foreach ($exact as $candidate) {
            $spoken[self::bare(self::plain($candidate->document))] = true;
        }
        $quoted = [
            ...$exact,
            ...array_filter(
                $loose,
                static fn (Candidate $candidate): bool => ! isset($exact[$candidate->id]) &&
                    ! isset($spoken[self::bare(self::plain($candidate->document))]),
            ),
        ];
        usort($quoted, Candidate::byAge(...));

        return $quoted;
    }

    /** @return list<string> words with figures in them that name no candidate, as they were typed */
    public function unknown(string $text): array
    {
        $words = preg_split('/[\s,;+&]+/u', mb_scrub($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return array_values(
            array_filter($words, fn (string $word): bool => preg_match('/\d/', $word) === 1 && $this->within($word) === []),
        );
    }

    /**
     * @param list<Candidate> $candidates
     * @return array<int, Candidate>
     */
    private static function byId(array $candidates): array
    {
        return array_column(array_map(static fn (Candidate $candidate): array => [$candidate->id, $candidate], $candidates), 1, 0);
    }

    /**
     * The numbers of a text: as they stand (also with the word before them as their prefix), and without prefix and leading zeros.
     *
     * @return array{array<array-key, true>, array<array-key, true>}
     */
    private function numbersIn(string $text): array
    {
        $whole = $bare = [];
        $before = '';
        foreach ((array) preg_split('/[^\p{L}\p{N}\/.\-]+/u', mb_strtoupper($text), -1, PREG_SPLIT_NO_EMPTY) as $word) {
            foreach ($this->pieces((string) $word) as $plain) {
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
        }

        return [$whole, $bare];
    }

    /**
     * A word with dashes, slashes or dots in it: as many of its pieces together as make a known number, else each by itself.
     *
     * @return list<string> letters and figures only
     */
    private function pieces(string $word): array
    {
        $pieces = array_map(self::plain(...), preg_split('/[\/.\-]+/', $word, -1, PREG_SPLIT_NO_EMPTY) ?: []);
        $plain = [];
        for ($from = 0; $from < count($pieces); $from += $taken) {
            for ($taken = count($pieces) - $from; $taken > 1; $taken--) {
                if ($this->isKnown(implode('', array_slice($pieces, $from, $taken)))) {
                    break;
                }
            }
            $plain[] = implode('', array_slice($pieces, $from, $taken));
        }

        return $plain;
    }

    /** The text in one line: where a line's end stands within a known number, without a blank. */
    private function joined(string $text): string
    {
        $lines = explode("\n", str_replace("\r", '', $text));
        $joined = (string) array_shift($lines);
        foreach ($lines as $line) {
            $before = preg_match('/[\p{L}\p{N}\/.\-]+$/u', $joined, $end) === 1 ? $end[0] : '';
            $after = preg_match('/^[\p{L}\p{N}\/.\-]+/u', $line, $begin) === 1 ? $begin[0] : '';
            $joined .= ($before !== '' && $after !== '' && $this->isKnown(self::plain($before.$after)) ? '' : ' ').$line;
        }

        return $joined;
    }

    private function isKnown(string $plain): bool
    {
        $bare = self::bare($plain);

        return isset($this->byWhole[$plain]) ||
            (preg_match('/\d/', $plain) === 1 && strlen($bare) >= self::SHORTEST && isset($this->byBare[$bare]));
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
