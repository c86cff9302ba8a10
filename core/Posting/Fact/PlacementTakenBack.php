<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Posting\Fact;

/** A statement line is free to be placed again. */
final readonly class PlacementTakenBack implements Fact
{
    public function __construct(public int $placementId, public string $reason) {}
}
