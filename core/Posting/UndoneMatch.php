<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

/** A match of the books that a plan takes back as of a day. */
final readonly class UndoneMatch
{
    public function __construct(public int $matchId, public string $date, public string $reason) {}
}
