<?php

declare(strict_types=1);

namespace App\Queries;

/** The days of a statement line: when the bank booked it, and from when the money counts. */
final readonly class LineDates
{
    public function __construct(public string $booking, public string $value) {}
}
