<?php

declare(strict_types=1);

namespace App\Queries;

/** Why something stays unapplied on purpose, and when to look again. */
final readonly class UnappliedReason
{
    /** @param  string  $given  when it was recorded */
    public function __construct(public string $reason, public string $lookAgain, public string $who, public string $given) {}
}
