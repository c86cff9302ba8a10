<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

/** What a plan says of itself to people: for the audit trail, for the person who is about to post, and for the one who was too late. */
final readonly class PlanNotes
{
    /**
     * @param list<TrailEntry> $trail
     * @param list<string> $warnings what is allowed and unusual
     * @param list<string> $seen what it was worked out from, in words: `Invoice A has 40.00 open`
     */
    public function __construct(public array $trail = [], public array $warnings = [], public array $seen = []) {}
}
