<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

use Ajuste\Core\Money\Rounding;

/**
 * On which other accounts a correction of the control account belongs: what the document's lines say less what the entry has there (R12).
 * Amounts are minor units of base currency, debit-positive, by account.
 */
final class CounterLines
{
    /**
     * The lines that put the other accounts right together with the control account.
     *
     * @param int $amount what the control account changes by
     * @param array<int, int> $entry what the entries of the cause have on other accounts
     * @param ?array<int, int> $document what the documents' lines say; empty: there is no document; null: the lines are not known
     * @return array<int, int> coming to the amount the other way round; empty where that cannot be said
     */
    public static function of(int $amount, array $entry, ?array $document): array
    {
        if ($document === null) {
            return self::inTheMixOf($entry, -$amount);
        }
        $lines = [];
        foreach (array_keys($document + $entry) as $account) {
            $lines[$account] = ($document[$account] ?? 0) - ($entry[$account] ?? 0);
        }
        $lines = array_filter($lines);

        return array_sum($lines) === -$amount ? $lines : self::inTheMixOf($entry, -$amount);
    }

    /**
     * A sum shared as the entry shares it; parts add up to the sum (largest remainder).
     *
     * @param array<int, int> $entry
     * @return array<int, int> empty where the entry has lines on both sides, or none
     */
    public static function inTheMixOf(array $entry, int $sum): array
    {
        $entry = array_filter($entry);
        if ($entry === [] || (min($entry) < 0 && max($entry) > 0)) {
            return [];
        }

        return array_filter(array_combine(array_keys($entry), Rounding::split($sum, array_map(abs(...), array_values($entry)))));
    }
}
