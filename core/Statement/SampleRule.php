<?php

declare(strict_types=1);

namespace Ajuste\Core\Statement;

/** By which rule customers are drawn whose balance is to be confirmed. */
enum SampleRule: string
{
    case Largest = 'largest';
    case Random = 'random';
    case Over = 'over';

    public function words(): string
    {
        return match ($this) {
            self::Largest => 'the largest balances',
            self::Random => 'at random, by a seed that is named',
            self::Over => 'all over an amount',
        };
    }
}
