<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\OpenItem;

/** A credit that stands elsewhere than what it settles, and is brought there first: a deposit, or a credit in other money. */
interface Brought
{
    /** The credit as it counts in the match. */
    public function asSettled(): OpenItem;

    /**
     * Uses the credit up, whole or in part, and makes the one that takes part in the match.
     *
     * @param int $settlement place of the settlement in the plan
     * @param Money $amount what the match takes of it, in the currency of the match
     *
     * @throws Refusal when it cannot be brought
     */
    public function bring(PlanBuilder $plan, int $settlement, SettlementFrame $frame, Money $amount): OpenItem;
}
