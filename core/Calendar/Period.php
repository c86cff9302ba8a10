<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

use Ajuste\Core\Refusal;

/** One month that is closed as a whole. */
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

    public static function containing(string $day): self
    {
        return self::of(substr(Day::of($day), 0, 7));
    }

    public function next(): self
    {
        return self::containing(Day::plus($this->last, 1));
    }

    public function previous(): self
    {
        return self::containing(Day::plus($this->first, -1));
    }
}
