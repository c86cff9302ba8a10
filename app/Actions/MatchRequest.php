<?php

declare(strict_types=1);

namespace App\Actions;

/** What a person ticked and typed. */
final readonly class MatchRequest
{
    /**
     * @param array<int, string> $typed amount as typed, by item id, in the order of the list; blank: as much as both sides allow
     * @param ?string $date null: the earliest day on which the match can take effect
     */
    public function __construct(public int $customerId, public array $typed, public ?string $date = null) {}
}
