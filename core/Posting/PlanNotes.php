<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

use Ajuste\Core\Subledger\OpenItem;
use Generator;

/** What a plan says of itself to people: for the audit trail, for the person who is about to post, and for the one who was too late. */
final readonly class PlanNotes
{
    /**
     * @param list<TrailEntry> $trail
     * @param list<string> $warnings what is allowed and unusual
     * @param list<OpenItem> $before items of the books of which the plan takes something, as they were before it
     */
    public function __construct(public array $trail = [], public array $warnings = [], private array $before = []) {}

    /** @return Generator<int, string> what it was worked out from, in words: `Invoice A has 40.00 open` */
    public function seen(): Generator
    {
        foreach ($this->before as $item) {
            yield "{$item->title()} has {$item->takeable->grouped()} open";
        }
    }
}
