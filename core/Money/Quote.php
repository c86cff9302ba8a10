<?php

declare(strict_types=1);

namespace Ajuste\Core\Money;

/** The direction in which a rate is quoted. */
enum Quote: string
{
    case BasePerUnit = 'base_per_unit';
    case UnitPerBase = 'unit_per_base';

    public function words(): string
    {
        return match ($this) {
            self::BasePerUnit => 'base per unit',
            self::UnitPerBase => 'units per base',
        };
    }
}
