<?php

declare(strict_types=1);

namespace App\Queries;

/** One thing that somebody was asked to mend at the source. */
final readonly class SourceFix
{
    /** @param  bool  $done the cause is gone, or is another now */
    public function __construct(
        public int $id, public string $causeKey, public string $cause, public string $document, public string $customer, public string $entry, public int $amount, public string $request, public string $who, public string $recordedAt, public bool $done,
    ) {}
}
