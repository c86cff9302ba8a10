<?php

declare(strict_types=1);

namespace Ajuste\Core\DirectDebit;

/** Under which of the two SEPA rulebooks is collected. Written as the local instrument of ISO 20022. */
enum Scheme: string
{
    case Core = 'CORE';
    case Business = 'B2B';

    public function words(): string
    {
        return match ($this) {
            self::Core => 'core: the payer can have it back for eight weeks',
            self::Business => 'between businesses: no right to have it back',
        };
    }
}
