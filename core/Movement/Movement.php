<?php

declare(strict_types=1);

namespace Ajuste\Core\Movement;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\Proof;
use Ajuste\Core\Refusal;
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
     * @param array<string, int> $moved what items of each kind moved from the first day to the last, minor units of base currency
     * @param array<int, Kind> $takenBack kind of the item that an item takes back, by item: a reversal counts in the line of what it
     *                                    reverses
     */
    public static function between(string $from, Proof $before, Proof $after, array $moved, array $takenBack, Currency $base): self
    {
        $apart = $causes = [];
        foreach ([-1 => $before, 1 => $after] as $sign => $proof) {
            foreach ($proof->lines as $cause) {
                [$kind, $key] = [self::kindOf($cause, $takenBack)->value ?? '', $cause->key()];
                $apart[$kind][$key] = ($apart[$kind][$key] ?? 0) - $sign * $cause->amount;
                $causes[$key] = $cause;
            }
        }
        $money = static fn (int $minor): Money => Money::ofMinor($minor, $base);
        $part = static fn (?Kind $kind): MovementPart => new MovementPart(
            $kind,
            $money($moved[$kind->value ?? ''] ?? 0),
            array_map(
                static fn (string $key, int $minor): MovementCause => new MovementCause($causes[$key], $money($minor)),
                // one that stands as it did on the day before makes no difference here
                array_keys(array_filter($apart[$kind->value ?? ''] ?? [])),
                array_filter($apart[$kind->value ?? ''] ?? []),
            ),
        );
        $lines = [MovementFigures::balance(MovementLine::Opening, $money($before->control), $money($before->customers))];
        foreach (MovementLine::moving() as $line) {
            $lines[] = MovementFigures::moved($line, array_map($part, $line->kinds()), $base);
        }
        $lines[] = MovementFigures::balance(MovementLine::Closing, $money($after->control), $money($after->customers));

        return new self($from, $after->asOf, $lines);
    }

    /**
     * A line between the two balances.
     *
     * @throws Refusal when there is no such line
     */
    public function line(string $name): MovementFigures
    {
        foreach ($this->lines as $of) {
            if ($of->line->value === $name && in_array($of->line, MovementLine::moving(), true)) {
                return $of;
            }
        }
        throw Refusal::notFound("“{$name}” is no line of the movement.");
    }

    /** Closing of the ledger less closing of the customers. */
    public function difference(): Money
    {
        return $this->lines[count($this->lines) - 1]->difference();
    }

    /**
     * @param array<int, Kind> $takenBack
     * @return ?Kind null: a posting that pairs with no item
     */
    private static function kindOf(CauseLine $cause, array $takenBack): ?Kind
    {
        $item = $cause->items[0] ?? null;

        return $item === null ? null : $takenBack[$item->id] ?? Kind::tryFrom($item->kind) ?? Kind::Adjustment;
    }
}
