<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunPlan;
use App\Actions\Runs\PostRun;
use App\Actions\Runs\RunPlans;
use App\Queries\ResidueCandidates;
use App\Queries\Settings;

/** The residues counted again by another policy, as a person typed it; nothing is kept. */
final readonly class WhatIfResidues
{
    public function __construct(
        private ResidueCandidates $candidates,
        private RunPlans $plans,
        private PostRun $post,
        private Settings $settings,
    ) {}

    /**
     * @param array<array-key, mixed> $typed limit, percent and days
     * @return array{limit: string, percent: string, days: string, says: ?string, refusal: string}
     */
    public function of(RunPlan $run, array $typed): array
    {
        $base = $this->settings->base();
        $policy = $this->candidates->policy($run->asOf());
        $text = static fn (string $name, string $otherwise): string => is_string($typed[$name] ?? null) ? trim($typed[$name]) : $otherwise;
        $shown = [
            'limit' => $text('limit', ($policy->limits[$base->code] ?? Money::zero($base))->grouped()),
            'percent' => $text('percent', $policy->percent),
            'days' => $text('days', (string) $policy->days),
        ];
        if (! isset($typed['limit'])) {
            return [...$shown, 'says' => null, 'refusal' => ''];
        }
        try {
            $other = $policy->with(TypedAmount::read($shown['limit'], $base), $shown['percent'], $shown['days']);
            $plan = $this->plans->residues($run->control(), $run->asOf(), $other);
            $result = $plan->isEmpty() ? Money::zero($base) : $this->post->posting($plan)->onResult($base);
            $tax = $plan->tax()->grouped();
            $says = Say::count(count($plan->lines()), 'item').", {$plan->total()->grouped()}; tax that comes off {$tax}; "
                ."result {$result->grouped()} {$base->code}. Nothing is kept.";

            return [...$shown, 'says' => $says, 'refusal' => ''];
        } catch (Refusal $refusal) {
            return [...$shown, 'says' => null, 'refusal' => $refusal->getMessage()];
        }
    }
}
