<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proposal\Way;

/** An unapplied credit and items that use up all of it; in order of age the last of them may be settled in part. */
final readonly class FittingMatch
{
    /**
     * @param list<int> $settles items
     * @param bool $certain quoted or of the same amount, the only such; else it is for a person to choose
     */
    public function __construct(public int $creditId, public Way $how, public array $settles, public bool $certain) {}
}
