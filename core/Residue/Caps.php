<?php

declare(strict_types=1);

namespace Ajuste\Core\Residue;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Run\PlannedLine;

/** Keeps what a run writes off within its caps: what is over is left out, the largest first (R8). */
final class Caps
{
    /**
     * @param list<PlannedLine> $lines in one base currency
     * @param ?Money $cap of the sum of their absolute amounts; null: none
     * @return array{list<PlannedLine>, list<PlannedLine>} those that stay within it, and those that are left out
     */
    public static function within(array $lines, ?Money $cap): array
    {
        if ($cap === null) {
            return [$lines, []];
        }
        $over = [];
        $sum = array_sum(array_map(static fn (PlannedLine $line): int => $line->base->abs()->minor, $lines));
        $bySize = $lines;
        usort($bySize, static fn (PlannedLine $one, PlannedLine $other): int => $other->base->abs()->minor <=> $one->base->abs()->minor ?:
            strcmp($one->document, $other->document));
        foreach ($bySize as $line) {
            if ($sum <= $cap->minor) {
                break;
            }
            $over[$line->itemId] = $line;
            $sum -= $line->base->abs()->minor;
        }
        $stays = static fn (PlannedLine $line): bool => ! isset($over[$line->itemId]);

        return [array_values(array_filter($lines, $stays)), array_values($over)];
    }
}
