<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proposal\Way;

/** A loose credit and what it certainly settles in full: quoted or of the same amount, the only such. */
final readonly class CertainMatch
{
    /** @param  list<int>  $settles items */
    public function __construct(public int $creditId, public Way $how, public array $settles) {}
}
