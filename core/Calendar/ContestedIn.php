<?php

declare(strict_types=1);

namespace Ajuste\Core\Calendar;

/** Where the aged list shows what customers dispute (R11). */
enum ContestedIn: string
{
    /** In the column of its age, as if nobody disputed it. */
    case Bucket = 'bucket';
    /** In a column of its own. */
    case Column = 'column';

    public function words(): string
    {
        return match ($this) {
            self::Bucket => 'Contested by age',
            self::Column => 'Contested in a column',
        };
    }
}
