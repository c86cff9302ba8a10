<?php

declare(strict_types=1);

namespace Ajuste\Core\Currency;

/** What becomes of an unrealised difference after the day of the run (R9). */
enum CurrencyPolicy: string
{
    /** It stays until the item is settled. */
    case Carry = 'carry';
    /** It is taken back on day one of the next period. */
    case Reverse = 'reverse';

    public function words(): string
    {
        return match ($this) {
            self::Carry => 'carried until settled',
            self::Reverse => 'taken back on day one of the next period',
        };
    }
}
