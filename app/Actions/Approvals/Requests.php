<?php

declare(strict_types=1);

namespace App\Actions\Approvals;

use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Queries\ApprovalRequests;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Values\ApprovalAsked;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Asking a second person, and the answer: approving posts exactly the plan that was seen (R13). */
final readonly class Requests
{
    public function __construct(
        private ApprovalRequests $requests,
        private PostPlan $posting,
        private SecondPerson $second,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /**
     * @param PostingPlan $plan as it would be posted now
     * @param string $seen digest of the plan that the person saw
     *
     * @throws Refusal when it has changed since it was seen
     */
    public function ask(string $key, ApprovalAsked $asked, PostingPlan $plan, string $seen): int
    {
        return (int) Once::for($key, function () use ($asked, $plan, $seen): int {
            if ($seen !== $plan->digest()) {
                throw Refusal::changed('What would be posted has changed since you looked. Look at the figures again, then ask.');
            }
            $id = DB::table('approval_requests')->insertGetId([
                'kind' => $asked->kind,
                'payload' => json_encode($asked->payload, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'digest' => $plan->digest(),
                'title' => $asked->title,
                'total' => $asked->total->minor,
                'why' => $asked->why,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('ask for approval', "approval {$id}", $asked->why, ['what' => $asked->title]);

            return $id;
        });
    }

    /** What approving would post now. */
    public function plan(stdClass $request): PostingPlan
    {
        /** @var array<string, mixed> $payload */
        $payload = json_decode($request->payload, true, flags: JSON_THROW_ON_ERROR);
        $maker = app(ApprovalKind::from($request->kind)->maker());

        return $maker->planOf($payload);
    }

    /**
     * @param string $outside day and evidence of the outside person; blank: whoever is signed in
     *
     * @throws Refusal when it is answered, has changed since it was asked, or the approver is the one who asked
     */
    public function approve(string $key, int $id, string $outside): void
    {
        Once::for($key, function () use ($key, $id, $outside): int {
            $request = $this->requests->open($id);
            $by = $this->second->approving($request->who, $outside);
            $result = $this->posting->post("{$key}-post", fn (): PostingPlan => $this->plan($request), $request->digest);
            $this->answer($id, 'approved', trim($outside), $result, $by);

            return $result;
        });
    }

    /** @throws Refusal when it is answered already, or no words say what is to be changed */
    public function sendBack(string $key, int $id, string $words): void
    {
        Once::for($key, function () use ($id, $words): int {
            $this->requests->open($id);
            $this->answer($id, 'sent_back', Reason::of($words), null, $this->actor->who);

            return $id;
        });
    }

    private function answer(int $id, string $answer, string $words, ?int $result, string $who): void
    {
        DB::table('approval_answers')->insert([
            'request_id' => $id,
            'answer' => $answer,
            'words' => $words,
            'result' => $result,
            'who' => $who,
            'recorded_at' => Moment::now(),
        ]);
        $this->audit->record("request {$answer}", "approval {$id}", $words, ['by' => $who]);
    }
}
