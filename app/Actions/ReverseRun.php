<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunReversal;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Models\Run;
use App\Queries\Settings;
use App\Queries\Standing;

/** Takes a run back as one, whatever kind it is. What was taken back by itself before stays so. */
final readonly class ReverseRun
{
    public function __construct(private Settings $settings, private Standing $standing, private PostPlan $posting) {}

    /**
     * @param ?string $date null: each as of its own day, or the first open one after it
     *
     * @throws Refusal when the reason is blank, it is reversed already, or a day is locked or before what is taken back
     */
    public function post(string $key, RunKind $kind, int $runId, string $reason, ?string $date = null): void
    {
        $this->posting->post($key, function () use ($kind, $runId, $reason, $date): PostingPlan {
            $run =
                Run::query()->where('kind', $kind->value)->find($runId) ??
                throw Refusal::notFound('There is no such run. Load the page again.');
            $plan = new PlanBuilder();
            (new RunReversal($this->settings->locked()))->add($plan, $this->standing->run($run), $date, Reason::of($reason));

            return $plan->build(Subject::of(SubjectKind::Run, $runId));
        });
    }
}
