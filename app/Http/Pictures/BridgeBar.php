<?php

declare(strict_types=1);

namespace App\Http\Pictures;

use Ajuste\Core\Money\Money;

final readonly class BridgeBar
{
    /** @param  string  $cause blank for the two totals */
    public function __construct(
        public string $label,
        public string $cause,
        public Money $amount,
        public float $x,
        public float $y,
        public float $width,
        public float $height,
        public float $level,
    ) {}
}
