<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Settlement\Tick;

final readonly class RibbonBar
{
    /**
     * @param float $full height of what is open
     * @param float $used height of what is settled
     */
    public function __construct(public Tick $tick, public float $x, public float $y, public float $full, public float $used) {}
}
