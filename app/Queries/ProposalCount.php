<?php

declare(strict_types=1);

namespace App\Queries;

/** Of how many unapplied credits of a customer it is known what they settle. */
final readonly class ProposalCount
{
    /**
     * @param int $certain that need nobody's judgement
     * @param int $others for a person to look at
     */
    public function __construct(public int $certain, public int $others) {}
}
