<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

use Ajuste\Core\Refusal;

/**
 * The periods of the books: their own where they have some, months for all other days. A year may end in a period 13 of one day, the
 * last of its last period: what is booked between the locks of the two is the year's adjustments (common practice).
 */
final readonly class Calendar
{
    /** @param  list<Period>  $own in any order, none over another but for adjustments */
    public function __construct(private array $own = []) {}

    /** @throws Refusal when there is no such period */
    public function named(string $name): Period
    {
        foreach ($this->own as $period) {
            if ($period->name === $name) {
                return $period;
            }
        }

        return Period::of($name);
    }

    /** The period in which a day's business falls: never the one for adjustments, which shares its day with the last of the year. */
    public function containing(string $day): Period
    {
        foreach ($this->own as $period) {
            if ($period->first <= $day && $day <= $period->last && ! $this->isForAdjustments($period)) {
                return $period;
            }
        }

        return Period::containing($day);
    }

    /** The one whose figures this period's are compared with: it ends before this one's business begins. */
    public function before(Period $period): Period
    {
        return $this->containing(Day::plus($this->containing($period->first)->first, -1));
    }

    /** The one that is closed next: a period for adjustments on the same last day, else the one from the day after. */
    public function after(Period $period): Period
    {
        return $this->adjusting($period) ?? $this->containing($period->dayAfter());
    }

    /** Whether it is a period 13: of one day, the last of a longer one, for the adjustments of the year's end. */
    public function isForAdjustments(Period $period): bool
    {
        return $period->first === $period->last && array_filter(
            [...$this->own, ...$this->monthOf($period)],
            $period->isLastDayOf(...),
        ) !== [];
    }

    /** The last day that the lock of a period closes: its last, which it leaves open where a period for adjustments follows on it. */
    public function lockedThrough(Period $period): string
    {
        return $this->adjusting($period) === null ? $period->last : Day::plus($period->last, -1);
    }

    /** The period whose lock closes the days through this one. */
    public function lockedBy(string $through): Period
    {
        $period = $this->containing($through);

        return $period->last === $through ? $this->adjusting($period) ?? $period : $period;
    }

    /** The period of the calendar that a new one would lie over, other than as one for adjustments; null: none. */
    public function over(Period $new): ?Period
    {
        foreach ($this->own as $period) {
            $apart = $period->name === $new->name || $period->last < $new->first || $new->last < $period->first;
            if (! $apart && ! $new->isLastDayOf($period) && ! $period->isLastDayOf($new)) {
                return $period;
            }
        }

        return null;
    }

    private function adjusting(Period $period): ?Period
    {
        foreach ($this->own as $own) {
            if ($own->isLastDayOf($period) && $this->isForAdjustments($own)) {
                return $own;
            }
        }

        return null;
    }

    /** @return list<Period> the month that a day of the calendar falls in; none where a period of that name stands for it */
    private function monthOf(Period $day): array
    {
        $month = Period::containing($day->first);

        return in_array($month->name, array_column($this->own, 'name'), true) ? [] : [$month];
    }
}
