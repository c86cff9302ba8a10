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
        if ($this->closing !== null && $day > ((int) substr($this->closing, 0, 4) + 1).substr($this->closing, 4)) {
            throw new Refusal(
                "{$what} cannot be dated {$day}: that is more than a year after {$this->closing}, the last day of the period that is being "
                    .'closed. Look at the year.',
            );
        }
    }
}
