<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/**
 * The test by which an entry may explain an amount, the likely ones first. All but the first are common practice in looking for
 * differences.
 */
enum FoundBy: string
{
    case Amount = 'amount';
    case Tax = 'tax';
    case Half = 'half';
    case DigitsExchanged = 'digits_exchanged';
    case PointShifted = 'point_shifted';
    case Two = 'two';
    case Three = 'three';

    public function words(): string
    {
        return match ($this) {
            self::Amount => 'the amount itself',
            self::Tax => 'the tax within it',
            self::Half => 'half of it: posted on the wrong side',
            self::DigitsExchanged => 'two digits exchanged make the difference',
            self::PointShifted => 'the decimal point shifted makes it',
            self::Two => 'two entries together',
            self::Three => 'three entries together',
        };
    }
}
