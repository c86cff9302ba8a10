<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

use Ajuste\Core\Calendar\Day;

/** Control account and customers at each day's end. Amounts are minor units of base currency, debit-positive. */
final readonly class DayChart
{
    /**
     * @param list<DayEnd> $days every day of the span, ascending
     */
    private function __construct(public array $days) {}

    /**
     * @param int $control balance of the control account before the first day
     * @param int $customers likewise of the customers
     * @param array<string, array{int, int}> $moves by day what is added to the control account and to the customers
     */
    public static function of(string $first, string $last, int $control, int $customers, array $moves): self
    {
        $days = [];
        for ($day = $first; $day <= $last; $day = Day::plus($day, 1)) {
            $before = $control - $customers;
            $control += $moves[$day][0] ?? 0;
            $customers += $moves[$day][1] ?? 0;
            $days[] = new DayEnd($day, $control, $customers, $control - $customers - $before);
        }

        return new self($days);
    }

    /** @return list<DayEnd> the days on which the difference changed */
    public function steps(): array
    {
        return array_values(array_filter($this->days, static fn (DayEnd $day): bool => $day->step !== 0));
    }

    /**
     * The day on which the two sides parted for good: from then on they never met again. Null when they agree on the last day, or were
     * apart before the first.
     */
    public function apartSince(): ?string
    {
        $since = null;
        foreach ($this->days as $place => $day) {
            if ($day->control === $day->customers) {
                $since = null;
            } elseif ($place > 0 && $this->days[$place - 1]->control === $this->days[$place - 1]->customers) {
                $since = $day->day;
            }
        }

        return $since;
    }
}
