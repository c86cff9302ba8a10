<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

final readonly class DayEnd
{
    /** @param  int  $step by how much the difference changed on this day */
    public function __construct(public string $day, public int $control, public int $customers, public int $step) {}

    public function difference(): int
    {
        return $this->control - $this->customers;
    }
}
