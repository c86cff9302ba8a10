<?php

declare(strict_types=1);

namespace Ajuste\Core\Movement;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;

/**
 * The customers' column of the roll-forward for one group of them; the ledger knows no groups. Opening + what moved = closing. Base
 * currency, debit-positive.
 */
final readonly class GroupMovement
{
    /** @param  array<string, Money>  $moved by line */
    private function __construct(public string $group, public Money $opening, public array $moved, public Money $closing) {}

    /**
     * @param array<string, int> $opening minor units of base currency, by group
     * @param array<string, array<string, int>> $moved what items of each kind moved, minor units of base currency, by group and kind
     * @return list<self> by the group's name, those without a group last; a group in which nothing was and nothing moved is left out
     */
    public static function each(array $opening, array $moved, Currency $base): array
    {
        $groups = array_map(strval(...), array_keys($opening + $moved));
        usort($groups, static fn (string $one, string $other): int => [$one === '', $one] <=> [$other === '', $other]);
        $found = [];
        foreach ($groups as $group) {
            $lines = [];
            foreach (MovementLine::moving() as $line) {
                $minor = array_map(static fn (?Kind $kind): int => $moved[$group][$kind->value ?? ''] ?? 0, $line->kinds());
                $lines[$line->value] = Money::ofMinor(array_sum($minor), $base);
            }
            $before = Money::ofMinor($opening[$group] ?? 0, $base);
            $of = new self($group, $before, $lines, Money::sum([$before, ...array_values($lines)], $base));
            if (! $before->isZero() || array_filter($lines, static fn (Money $money): bool => ! $money->isZero()) !== []) {
                $found[] = $of;
            }
        }

        return $found;
    }

    /** @return list<Money> opening, what moved line by line, closing */
    public function figures(): array
    {
        return [$this->opening, ...array_values($this->moved), $this->closing];
    }
}
