<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Posting\Fact;

/** An amount is contested no more, since what contested it was taken back. */
final readonly class ContestEnded implements Fact
{
    public function __construct(public int $contestedId, public string $date, public string $reason) {}
}
