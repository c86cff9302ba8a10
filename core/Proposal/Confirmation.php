<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** A posting that a statement line may confirm, why, and whether that is sure. */
final readonly class Confirmation
{
    public function __construct(public int $postingId, public bool $sure, public string $why) {}
}
