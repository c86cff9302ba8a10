<?php

declare(strict_types=1);

namespace App\Actions\Runs;

use Ajuste\Core\Allowance\AllowancePlan;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Presentation\PresentationPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\Approval;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use App\Actions\Approvals\Approvable;
use App\Actions\Approvals\Requests;
use App\Actions\Posting\Once;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Actions\ReverseRun;
use App\Models\Run;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Values\ApprovalAsked;
use App\Values\ApprovalKind;
use Illuminate\Support\Facades\DB;

/** Posts a closing run, or asks a second person to, where it is large or takes along what its policy leaves out (R13). */
final readonly class PostRun implements Approvable
{
    public function __construct(
        private RunPlans $plans,
        private Settings $settings,
        private PostPlan $posting,
        private ReverseRun $reverse,
        private Requests $requests,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /** @throws Refusal when nothing is to be posted, or it cannot be */
    public function posting(RunPlan $run): PostingPlan
    {
        if ($run->isEmpty()) {
            throw new Refusal("Nothing is left for this run as of {$run->asOf()}. There is nothing to post.".self::already($run));
        }
        $plan = new PlanBuilder;
        $run->addTo($plan);

        return $plan->build(Subject::run());
    }

    private static function already(RunPlan $run): string
    {
        return $run instanceof PresentationPlan && $run->presentedBy !== null
            ? " These credits are presented already by run {$run->presentedBy}."
            : '';
    }

    /** Why a second person approves it first, or blank. */
    public function needsApproval(RunPlan $run): string
    {
        $why = Approval::needed($run, $this->limit($run->kind(), $run->asOf()));

        return $why === '' && $run instanceof AllowancePlan
            ? Approval::ofSpecific($run, $this->settings->on($run->asOf())->moneyOrNone(Setting::ApprovalLimit))
            : $why;
    }

    /**
     * @param string $seen digest of the posting plan that the person saw
     * @return int the run's number
     *
     * @throws Refusal when it needs a second person, has changed since it was seen, or cannot be posted
     */
    public function post(string $key, RunKind $kind, Account $control, string $asOf, string $seen): int
    {
        return $this->posting->post($key, function () use ($kind, $control, $asOf): PostingPlan {
            $run = $this->plans->of($kind, $control, $asOf);
            $this->refuseBesideStale($run);
            $why = $this->needsApproval($run);

            return $why === '' ? $this->posting($run) : throw new Refusal("A second person approves it first: {$why}. Ask for it.");
        }, $seen);
    }

    /**
     * Takes a run back and posts what its rule gives now, both or neither.
     *
     * @return int the new run's number
     *
     * @throws Refusal when it cannot be taken back, or nothing is left to post, or it needs a second person
     */
    public function again(string $key, RunKind $kind, Account $control, int $runId): int
    {
        return (int) Once::for($key, function () use ($key, $kind, $control, $runId): int {
            $asOf = Run::query()->where(['kind' => $kind->value, 'account_id' => $control->id])->find($runId)->as_of
                ?? throw Refusal::notFound('There is no such run. Load the page again.');
            $this->reverse->post("{$key}-back", $kind, $runId, 'run again, what it looked at has changed');

            return $this->post("{$key}-again", $kind, $control, $asOf, '');
        });
    }

    /**
     * Asks a second person.
     *
     * @throws Refusal when it needs none, is asked already, or has changed since it was seen
     */
    public function ask(string $key, RunKind $kind, Account $control, string $asOf, string $seen): void
    {
        $run = $this->plans->of($kind, $control, $asOf);
        $this->refuseBesideStale($run);
        $this->requests->ask($key, new ApprovalAsked(
            ApprovalKind::Run,
            self::subject($kind, $control, $asOf),
            ['run' => $kind->value, 'account' => $control->id, 'as_of' => $asOf],
            "{$kind->words()} on {$control->number} as of {$asOf}, ".count($run->lines()).' lines',
            $run->total(),
            $this->needsApproval($run),
        ), $seen);
    }

    /** What a request for approval of a run is about. */
    public static function subject(RunKind $kind, Account $control, string $asOf): string
    {
        return "{$kind->value} {$control->id} {$asOf}";
    }

    public function planOf(array $payload): PostingPlan
    {
        /** @var array{run: string, account: int, as_of: string} $payload */
        $control = $this->settings->accounts()->withId($payload['account']);

        return $this->posting($this->plans->of(RunKind::from($payload['run']), $control, $payload['as_of']));
    }

    /**
     * Leaves a line out, takes one along, or lets the policy decide again.
     *
     * @param string $choice leave, take or policy
     *
     * @throws Refusal when no reason is given
     */
    public function choose(string $key, RunKind $kind, Account $control, string $asOf, int $itemId, string $choice, string $reason): void
    {
        Once::for($key, function () use ($kind, $control, $asOf, $itemId, $choice, $reason): int {
            if (! in_array($choice, ['leave', 'take', 'policy'], true)) {
                throw new Refusal('Choose to leave the line out, to take it along, or to let the policy decide.');
            }
            if (! DB::table('items')->where('root_id', $itemId)->exists()) {
                throw Refusal::notFound('There is no such item. Load the page again.');
            }
            $why = $choice === 'policy' ? '' : Reason::of($reason);
            DB::table('run_choices')->insert([
                'kind' => $kind->value,
                'account_id' => $control->id,
                'as_of' => $asOf,
                'item_id' => $itemId,
                'choice' => $choice,
                'reason' => $why,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record("{$choice} in run", "item {$itemId}", $why, ['run' => $kind->value, 'as_of' => $asOf]);

            return $itemId;
        });
    }

    /** @throws Refusal when a run of the same day stands that presents other credits: both together would say them twice */
    private function refuseBesideStale(RunPlan $run): void
    {
        if ($run instanceof PresentationPlan && $run->outOfDate !== null) {
            throw new Refusal("Run {$run->outOfDate} of {$run->asOf()} stands and is out of date. Take it back and run again.");
        }
    }

    /** Null where the signatures are enough. */
    private function limit(RunKind $kind, string $asOf): ?Money
    {
        $inForce = $this->settings->on($asOf);
        $own = $inForce->ofRun(Setting::ApprovalLimit, $kind);

        return match (true) {
            $own !== '' => Money::parse($own, $this->settings->base()),
            $kind === RunKind::Residues => $inForce->moneyOrNone(Setting::ApprovalLimit),
            default => null,
        };
    }
}
