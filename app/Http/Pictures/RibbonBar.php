<?php

declare(strict_types=1);

namespace App\Http\Pictures;

final readonly class RibbonBar
{
    /**
     * @param float $full height of what is open
     * @param float $used height of what is settled
     */
    public function __construct(public RibbonEnd $end, public float $x, public float $y, public float $full, public float $used) {}
}
