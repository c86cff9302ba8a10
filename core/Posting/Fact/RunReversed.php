<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Posting\Fact;

/** A run that was taken back as one. */
final readonly class RunReversed implements Fact
{
    public function __construct(public int $runId, public string $reason) {}
}
