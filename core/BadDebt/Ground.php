<?php

declare(strict_types=1);

namespace Ajuste\Core\BadDebt;

/** Why a debt will never be paid. */
enum Ground: string
{
    case Insolvency = 'insolvency';
    case Limitation = 'limitation';
    case Composition = 'composition';
    case Other = 'other';

    public function words(): string
    {
        return match ($this) {
            self::Insolvency => 'insolvency',
            self::Limitation => 'barred by limitation',
            self::Composition => 'settled for less',
            self::Other => 'another ground',
        };
    }
}
