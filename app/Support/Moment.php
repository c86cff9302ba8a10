<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Carbon;

/** The moment at which something is recorded: UTC to the microsecond, as text that sorts by time. */
final class Moment
{
    public static function now(): string
    {
        return Carbon::now('UTC')->format('Y-m-d\TH:i:s.u\Z');
    }
}
