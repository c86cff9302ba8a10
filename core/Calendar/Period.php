<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

use Ajuste\Core\Refusal;

/** One month, or one period of an own calendar, that is closed as a whole. */
final readonly class Period
{
    private function __construct(public string $name, public string $first, public string $last) {}

    /**
     * @param string $name year and month, `2026-10`
     *
     * @throws Refusal when the name is not a year and month
     */
    public static function of(string $name): self
    {
        if (! Day::isDay($name.'-01')) {
            throw new Refusal("“{$name}” is not a period; year and month are expected, such as 2026-10.");
        }

        return new self($name, $name.'-01', Day::lastOfMonth($name.'-01'));
    }

    /**
     * A period of an own calendar.
     *
     * @param string $name year and number, `2026-10`
     *
     * @throws Refusal when the name is none, or it ends before it begins
     */
    public static function between(string $name, string $first, string $last): self
    {
        if (! self::isName($name) || Day::of($last) < Day::of($first)) {
            throw new Refusal("“{$name}”, {$first} to {$last}, is not a period; year and number are expected, such as 2026-10, and a ".
                'first day on or before the last.');
        }

        return new self($name, $first, $last);
    }

    /** Whether it can be the name of a period: of a month, or of one of up to 99 in an own calendar's year. */
    public static function isName(string $name): bool
    {
        return preg_match('/^\d{4}-(?!00)\d\d$/D', $name) === 1;
    }

    public static function containing(string $day): self
    {
        return self::of(substr(Day::of($day), 0, 7));
    }

    /** Whether it is of one day, the last of a longer one. */
    public function isLastDayOf(self $longer): bool
    {
        return $this->first === $this->last && $this->last === $longer->last && $longer->first < $longer->last;
    }

    /** Day one of the next period. */
    public function dayAfter(): string
    {
        return Day::plus($this->last, 1);
    }
}
