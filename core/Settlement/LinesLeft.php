<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

/**
 * What the lines of an invoice have left after earlier settlements that named them: each fills the lines that it was meant for, in their
 * order. Amounts are minor units of the document's currency, with tax.
 */
final class LinesLeft
{
    /**
     * @param array<array-key, int> $lines what credit notes left of each line, by name
     * @param list<array{list<string>, int}> $settlements the lines that each was meant for, and its amount, oldest first
     * @return array<array-key, int> by name
     */
    public static function of(array $lines, array $settlements): array
    {
        foreach ($settlements as [$names, $amount]) {
            foreach ($names as $name) {
                $takes = min($amount, $lines[$name] ?? 0);
                $amount -= $takes;
                isset($lines[$name]) && ($lines[$name] -= $takes);
            }
        }

        return $lines;
    }
}
