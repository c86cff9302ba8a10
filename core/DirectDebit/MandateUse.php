<?php

declare(strict_types=1);

namespace Ajuste\Core\DirectDebit;

/** How often a mandate may be used. */
enum MandateUse: string
{
    case Recurrent = 'recurrent';
    case Once = 'once';

    /** The sequence type of ISO 20022 that the next collection bears. */
    public function sequence(?string $lastCollected): string
    {
        return match (true) {
            $this === self::Once => 'OOFF',
            $lastCollected === null => 'FRST',
            default => 'RCUR',
        };
    }
}
