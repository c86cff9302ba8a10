<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

/** What the audit trail will say of a plan once it is posted. */
final readonly class TrailEntry
{
    /** @param  array<string, string>  $details */
    public function __construct(public string $what, public Subject $about, public string $why = '', public array $details = []) {}
}
