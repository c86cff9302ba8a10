<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Money\Money;

final readonly class DayPoint
{
    /**
     * @param Money $step by how much the difference changed
     * @param Money $difference what it came to
     */
    public function __construct(public string $day, public float $x, public float $y, public Money $step, public Money $difference) {}
}
