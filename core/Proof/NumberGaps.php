<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/**
 * Numbers that are missing from a series of documents, which a proof cannot see (R12). A series is what stands before the last figures of a
 * number.
 */
final class NumberGaps
{
    /** Fewer documents than this make no series. */
    private const SERIES = 8;

    /** A hole larger than the series itself is another series, not a gap. */
    private const MOST = 200;

    /**
     * @param iterable<string> $documents
     * @return list<array{string, string, int}> first and last number missing and how many, series by series
     */
    public static function in(iterable $documents): array
    {
        /** @var array<string, array<int, string>> $series figures by prefix and length */
        $series = [];
        foreach ($documents as $document) {
            if (preg_match('/^(.*?)(\d{1,12})$/su', $document, $part) === 1) {
                $series["{$part[1]}\0".strlen($part[2])][(int) $part[2]] = $part[2];
            }
        }
        ksort($series);
        $gaps = [];
        foreach ($series as $name => $numbers) {
            [$prefix, $length] = explode("\0", $name);
            $say = static fn (int $number): string => $prefix.str_pad((string) $number, (int) $length, '0', STR_PAD_LEFT);
            ksort($numbers);
            $before = null;
            foreach (count($numbers) < self::SERIES ? [] : array_keys($numbers) as $number) {
                $missing = $before === null ? 0 : $number - $before - 1;
                if ($missing > 0 && $missing <= min(self::MOST, count($numbers))) {
                    $gaps[] = [$say((int) $before + 1), $say($number - 1), $missing];
                }
                $before = $number;
            }
        }

        return $gaps;
    }
}
