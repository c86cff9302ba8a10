<?php

declare(strict_types=1);

namespace Ajuste\Core\Money;

/** The direction in which a rate is quoted. */
enum Quote: string
{
    case BasePerUnit = 'base_per_unit';
    case UnitPerBase = 'unit_per_base';

    /** What is said beside a rate; the usual direction says nothing. */
    public function suffix(): string
    {
        return $this === self::BasePerUnit ? '' : 'per base';
    }
}
