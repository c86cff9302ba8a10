<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** Puts the lines of a bank's list, which may run either way, into order by the balance beside each, and checks that balance. */
final class RunningBalance
{
    /**
     * @param non-empty-list<array{BankLine, Money}> $lines each with the balance after it, as the file has them
     * @return non-empty-list<array{BankLine, Money}> oldest first
     *
     * @throws Refusal when the balances follow from the amounts in neither order; the three figures are named
     */
    public static function inOrder(array $lines): array
    {
        $reversed = array_reverse($lines);
        $first = $lines[0][0]->bookingDate <= $lines[count($lines) - 1][0]->bookingDate ? [$lines, $reversed] : [$reversed, $lines];
        foreach ($first as $order) {
            if (self::breakOf($order) === null) {
                return $order;
            }
        }
        $at = (int) self::breakOf($first[0]);
        [$before, $line, $after] = [$first[0][$at - 1][1], $first[0][$at][0], $first[0][$at][1]];
        throw new Refusal(
            "The list does not add up on {$line->bookingDate}: balance {$before->grouped()}, entry {$line->amount->grouped()}, next "
                ."balance {$after->grouped()}. A line is missing or changed; ask the bank for it again.",
        );
    }

    /** @param  non-empty-list<array{BankLine, Money}>  $lines */
    private static function breakOf(array $lines): ?int
    {
        for ($at = 1; $at < count($lines); $at++) {
            if (! $lines[$at - 1][1]->plus($lines[$at][0]->amount)->equals($lines[$at][1])) {
                return $at;
            }
        }

        return null;
    }
}
