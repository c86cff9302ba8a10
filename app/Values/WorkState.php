<?php

declare(strict_types=1);

namespace App\Values;

/** How far long work is. */
enum WorkState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Done = 'done';
    case Refused = 'refused';
    case Cancelled = 'cancelled';

    public function isUnderWay(): bool
    {
        return $this === self::Waiting || $this === self::Running;
    }
}
