<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/**
 * A customer's balance over time: where it stood before the first day, and after each day with documents. Minor units of base currency,
 * debit-positive.
 */
final readonly class BalanceHistory
{
    /** @var array<string, int> balance by day, ascending */
    public array $days;

    /** @param  array<string, int>  $moves what each day adds */
    public function __construct(public string $first, public string $last, public int $before, array $moves)
    {
        ksort($moves);
        $balance = $before;
        $days = [];
        foreach ($moves as $day => $move) {
            $days[$day] = $balance += $move;
        }
        $this->days = $days;
    }

    public function highest(): int
    {
        return max(0, $this->before, ...array_values($this->days));
    }

    public function lowest(): int
    {
        return min(0, $this->before, ...array_values($this->days));
    }
}
