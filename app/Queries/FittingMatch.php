<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proposal\Way;

/** A loose credit and items that it settles in full, to the minor unit. */
final readonly class FittingMatch
{
    /**
     * @param list<int> $settles items
     * @param bool $certain quoted or of the same amount, the only such; else it is for a person to choose
     */
    public function __construct(public int $creditId, public Way $how, public array $settles, public bool $certain) {}
}
