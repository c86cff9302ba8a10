<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Subledger\OpenItem;

/** What a proposal would tick on the worktop. */
final readonly class ProposedTicks
{
    /**
     * @param string $ticks amounts and discounts as JSON
     * @param bool $certain whether nobody's judgement is needed
     */
    public function __construct(public OpenItem $credit, public Proposal $proposal, public string $ticks, public bool $certain) {}
}
