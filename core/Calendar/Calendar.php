<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

use Ajuste\Core\Refusal;

/** The periods of the books: their own where they have some, months for all other days. */
final readonly class Calendar
{
    /** @param  list<Period>  $own in any order, none over another */
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

    public function containing(string $day): Period
    {
        foreach ($this->own as $period) {
            if ($period->first <= $day && $day <= $period->last) {
                return $period;
            }
        }

        return Period::containing($day);
    }

    public function before(Period $period): Period
    {
        return $this->containing(Day::plus($period->first, -1));
    }

    public function after(Period $period): Period
    {
        return $this->containing($period->dayAfter());
    }
}
