<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Posting\PostingPlan;
use App\Queries\ControlFigures;
use App\Queries\Positions;
use App\Queries\Settings;

/** What the books would show once a plan is posted: the figures as they stand, and the plan's own effect on them. */
final readonly class PlanEffects
{
    public function __construct(private Settings $settings, private Positions $positions, private ControlFigures $figures) {}

    public function of(PostingPlan $plan, ViewPoint $at, int $customerId): PlanEffect
    {
        $base = $this->settings->base();
        $now = $this->figures->at($at->account, $at->asOf);

        return new PlanEffect(
            $this->positions->balance($at->account->id, $customerId, $at->asOf)->plus($plan->onCustomers($at->account, $base, $customerId)),
            $now->difference->plus($plan->onAccount($at->account, $base))->minus($plan->onCustomers($at->account, $base)),
            $plan->onResult($base),
        );
    }
}
