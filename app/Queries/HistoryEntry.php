<?php

declare(strict_types=1);

namespace App\Queries;

/** Something that happened to a document, in words. */
final readonly class HistoryEntry
{
    /** @param  ?array{string, int}  $opens route and id of what it opens */
    public function __construct(public string $at, public string $who, public string $words, public ?array $opens = null) {}
}
