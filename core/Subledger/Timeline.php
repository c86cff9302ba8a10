<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** What is matched on one item, day by day. */
final readonly class Timeline
{
    /** @var array<string, int> change of the matched amount by day, ascending */
    private array $changes;

    /** @param  iterable<Movement>  $movements in any order */
    public function __construct(iterable $movements)
    {
        $changes = [];
        foreach ($movements as $movement) {
            $changes[$movement->day] = ($changes[$movement->day] ?? 0) + $movement->amount;
        }
        ksort($changes);
        $this->changes = $changes;
    }

    /** Matched at the end of the day, minor units of the item's currency. */
    public function matchedAt(string $day): int
    {
        $matched = 0;
        foreach ($this->changes as $changed => $amount) {
            if ($changed > $day) {
                break;
            }
            $matched += $amount;
        }

        return $matched;
    }

    /**
     * The most that is matched at the end of any day from `$day` on. A new match of that day may take at most the amount less
     * this, else the item would be overdrawn on some day (R1).
     */
    public function peakFrom(string $day): int
    {
        $matched = $peak = $this->matchedAt($day);
        foreach ($this->changes as $changed => $amount) {
            if ($changed > $day) {
                $peak = max($peak, $matched += $amount);
            }
        }

        return $peak;
    }

    /** The day from which on nothing is open any more; null while something is. */
    public function settledOn(int $amount): ?string
    {
        $matched = 0;
        $settled = null;
        foreach ($this->changes as $day => $change) {
            $matched += $change;
            $settled = $matched === $amount ? ($settled ?? $day) : null;
        }

        return $settled;
    }
}
