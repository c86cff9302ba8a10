<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

use Ajuste\Core\Refusal;
use Ajuste\Core\RefusalKind;

/** The days that are closed for good. Nothing takes effect on or before the last locked day, nor far ahead (R13). */
final readonly class LockedDays
{
    /**
     * @param ?string $through the last locked day; null when no period is locked yet
     * @param ?string $closing last day of the period that is being closed; null: how far ahead does not matter
     */
    public function __construct(public ?string $through, private ?string $closing = null) {}

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
     * Whether a date that a person typed is asked about: it is after the period that is being closed, and nobody looks at that day.
     * One that is refused anyway is not.
     *
     * @param string $lookedAt day as of which the books are looked at
     */
    public function asksFor(string $day, string $lookedAt): bool
    {
        return $this->closing !== null && $day > max($this->closing, $lookedAt) && ! $this->isFarAhead($day);
    }

    /** More than a year after the period that is being closed. */
    private function isFarAhead(string $day): bool
    {
        return $this->closing !== null && $day > Day::plusMonths($this->closing, 12);
    }

    /**
     * @param string $what what was to take effect, as the start of a sentence
     *
     * @throws Refusal when the day is locked, and the message offers the first open one; or more than a year ahead
     */
    public function refuse(string $day, string $what): void
    {
        if ($this->includes($day)) {
            throw new Refusal(
                "{$what} cannot be dated {$day}: the days through {$this->through} are locked. The first open day is {$this->firstOpenFrom(
                    $day,
                )}.",
                RefusalKind::Locked,
            );
        }
        if ($this->isFarAhead($day)) {
            throw new Refusal(
                "{$what} cannot be dated {$day}: that is more than a year after {$this->closing}, the last day of the period that is being "
                    .'closed. Look at the year.',
            );
        }
    }
}
