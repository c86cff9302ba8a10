<?php

declare(strict_types=1);

namespace Ajuste\Core\Run;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Refusal;

/** What one execution of a closing rule would post: the same value is shown, approved and posted. */
interface RunPlan
{
    public function kind(): RunKind;

    public function control(): Account;

    /** Day at whose end the rule looks at the books, and on which it takes effect. */
    public function asOf(): string;

    /** The policy that it follows, in words. */
    public function policy(): string;

    /** @return list<PlannedLine> what it takes */
    public function lines(): array;

    /** @return list<LeftOut> what it leaves out, each with the one reason */
    public function leftOut(): array;

    /** Whether there is nothing to post. */
    public function isEmpty(): bool;

    /** Sum of its lines, or of what it changes, signed, base currency. */
    public function total(): Money;

    /**
     * Adds vouchers, items and matches, and the fact that the run was posted.
     *
     * @throws Refusal when something cannot be posted
     */
    public function addTo(PlanBuilder $plan): void;
}
