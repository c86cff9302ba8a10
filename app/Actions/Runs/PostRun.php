<?php

declare(strict_types=1);

namespace App\Actions\Runs;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\Approval;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Run\RunPlan;
use App\Actions\Approvals\SecondPerson;
use App\Actions\Posting\Once;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Actions\ReverseRun;
use App\Models\Run;
use App\Queries\RunDecisions;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Posts a closing run, or asks a second person to, where it is large or takes along what its policy leaves out (R13). */
final readonly class PostRun
{
    public function __construct(
        private RunPlans $plans,
        private Settings $settings,
        private RunDecisions $decisions,
        private PostPlan $posting,
        private ReverseRun $reverse,
        private SecondPerson $second,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /** @throws Refusal when nothing is to be posted, or it cannot be */
    public function posting(RunPlan $run): PostingPlan
    {
        if ($run->isEmpty()) {
            throw new Refusal("Nothing is left for this run as of {$run->asOf()}. There is nothing to post.");
        }
        $plan = new PlanBuilder;
        $run->addTo($plan);

        return $plan->build(Subject::run());
    }

    /** Why a second person approves it first, or blank. */
    public function needsApproval(RunPlan $run): string
    {
        return Approval::needed($run, $this->limit($run->kind()));
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
        Once::for($key, function () use ($kind, $control, $asOf, $seen): int {
            $run = $this->plans->of($kind, $control, $asOf);
            $why = $this->needsApproval($run);
            $digest = $this->posting($run)->digest();
            if ($why === '') {
                throw new Refusal('It needs no second person. Post it.');
            }
            if ($digest !== $seen) {
                throw Refusal::changed('What would be posted has changed since you looked. Look at the lines again, then ask.');
            }
            $open = $this->decisions->open($kind, $control, $asOf);
            if ($open !== null && $open->digest === $digest) {
                throw Refusal::done("{$open->who} has asked for exactly this already.");
            }
            if ($open !== null) {
                $this->answer($open->id, 'withdrawn', 'asked again after a change', null, $this->actor->who);
            }
            $id = DB::table('run_requests')->insertGetId([
                'kind' => $kind->value,
                'account_id' => $control->id,
                'as_of' => $asOf,
                'digest' => $digest,
                'lines' => count($run->lines()),
                'total' => $run->total()->minor,
                'why' => $why,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('ask for approval', "request {$id}", $why, ['run' => $kind->value, 'total' => $run->total()->decimal()]);

            return $id;
        });
    }

    /**
     * Approves exactly what was asked for, and posts it.
     *
     * @param string $outside the outside person of a firm of one, with day and evidence; blank: whoever is signed in
     * @return int the run's number
     *
     * @throws Refusal when nobody asked, it has changed since, or the approver is the one who asked
     */
    public function approve(string $key, RunKind $kind, Account $control, string $asOf, string $outside): int
    {
        return (int) Once::for($key, function () use ($key, $kind, $control, $asOf, $outside): int {
            $request = $this->decisions->open($kind, $control, $asOf) ?? throw Refusal::done('Nobody waits for an approval of this run.');
            $by = $this->second->approving($request->who, $outside);
            $run = $this->posting->post(
                "{$key}-post",
                fn (): PostingPlan => $this->posting($this->plans->of($kind, $control, $asOf)),
                $request->digest,
            );
            $this->answer($request->id, 'approved', trim($outside), $run, $by);

            return $run;
        });
    }

    /** @throws Refusal when nobody asked, or no words say what is to be changed */
    public function sendBack(string $key, RunKind $kind, Account $control, string $asOf, string $words): void
    {
        Once::for($key, function () use ($kind, $control, $asOf, $words): int {
            $request = $this->decisions->open($kind, $control, $asOf) ?? throw Refusal::done('Nobody waits for an approval of this run.');
            $this->answer($request->id, 'sent_back', Reason::of($words), null, $this->actor->who);

            return $request->id;
        });
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

    private function answer(int $requestId, string $answer, string $words, ?int $run, string $who): void
    {
        DB::table('run_request_answers')->insert([
            'request_id' => $requestId,
            'answer' => $answer,
            'words' => $words,
            'run_id' => $run,
            'who' => $who,
            'recorded_at' => Moment::now(),
        ]);
        $this->audit->record("request {$answer}", "request {$requestId}", $words, ['by' => $who]);
    }

    /** Null where the signatures are enough. */
    private function limit(RunKind $kind): ?Money
    {
        $own = $this->settings->ofRun(Setting::ApprovalLimit, $kind);

        return match (true) {
            $own !== '' => Money::parse($own, $this->settings->base()),
            $kind === RunKind::Residues => $this->settings->moneyOrNone(Setting::ApprovalLimit),
            default => null,
        };
    }
}
