<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

use Ajuste\Core\Refusal;

/** The days that are closed for good. Nothing takes effect on or before the last locked day. */
final readonly class LockedDays
{
    /** @param  ?string  $through  the last locked day; null when no period is locked yet */
    public function __construct(public ?string $through) {}

    public function includes(string $day): bool
    {
        return $this->through !== null && $day <= $this->through;
    }

    /** The first day on or after `$day` on which something can take effect. */
    public function firstOpenFrom(string $day): string
    {
        return $this->through !== null && $day <= $this->through ? Day::plus($this->through, 1) : $day;
    }

    /**
     * @param string $what what was to take effect, as the start of a sentence
     *
     * @throws Refusal when the day is locked; the message offers the first open day
     */
    public function refuse(string $day, string $what): void
    {
        if ($this->includes($day)) {
            throw new Refusal("{$what} cannot be dated {$day}: the days through {$this->through} are locked. The first open day is {$this->firstOpenFrom($day)}.");
        }
    }
}
