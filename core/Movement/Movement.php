<?php

declare(strict_types=1);

namespace Ajuste\Core\Movement;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\Proof;
use Ajuste\Core\Subledger\Kind;

/**
 * The roll-forward of a control account (R11): opening + what moved = closing, for the ledger and for the customers, tied at both ends. A
 * posting counts in the line of the item that the proof pairs it with, so that the two columns differ by the proof's causes alone; one that
 * pairs with nothing is other.
 */
final readonly class Movement
{
    /**
     * @param string $from first day
     * @param string $to last day
     * @param list<MovementFigures> $lines opening, what moved, closing
     */
    private function __construct(public string $from, public string $to, public array $lines) {}

    /**
     * @param string $from first day
     * @param Proof $before of the day before the first
     * @param Proof $after of the last day
     * @param array<string, int> $moved what items of each line moved from the first day to the last, minor units of base currency
     * @param array<int, Kind> $takenBack kind of the item that an item takes back, by item: a reversal counts in the line of what it
     *                                    reverses
     */
    public static function between(string $from, Proof $before, Proof $after, array $moved, array $takenBack, Currency $base): self
    {
        $apart = $causes = [];
        foreach ([-1 => $before, 1 => $after] as $sign => $proof) {
            foreach ($proof->lines as $cause) {
                [$line, $key] = [self::lineOf($cause, $takenBack)->value, $cause->key()];
                $apart[$line][$key] = ($apart[$line][$key] ?? 0) - $sign * $cause->amount;
                $causes[$key] = $cause;
            }
        }
        $money = static fn (int $minor): Money => Money::ofMinor($minor, $base);
        $lines = [new MovementFigures(MovementLine::Opening, $money($before->control), $money($before->customers), [])];
        foreach (MovementLine::moving() as $line) {
            $customers = $moved[$line->value] ?? 0;
            $lines[] = new MovementFigures(
                $line,
                $money($customers + array_sum($apart[$line->value] ?? [])),
                $money($customers),
                // one that stands as it did on the day before makes no difference here
                array_values(array_intersect_key($causes, array_filter($apart[$line->value] ?? []))),
            );
        }
        $lines[] = new MovementFigures(MovementLine::Closing, $money($after->control), $money($after->customers), []);

        return new self($from, $after->asOf, $lines);
    }

    /** Closing of the ledger less closing of the customers. */
    public function difference(): Money
    {
        return $this->lines[count($this->lines) - 1]->difference();
    }

    /** @param  array<int, Kind>  $takenBack */
    private static function lineOf(CauseLine $cause, array $takenBack): MovementLine
    {
        $item = $cause->items[0] ?? null;

        return $item === null ? MovementLine::Other : MovementLine::of(
            $takenBack[$item->id] ?? Kind::tryFrom($item->kind) ?? Kind::Adjustment,
        );
    }
}
