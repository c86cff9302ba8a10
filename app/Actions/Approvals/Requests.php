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
use App\Values\ApprovalKind;
use App\Values\PostedOrAsked;
use Closure;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Asking a second person, and the answer: approving posts exactly the plan that was seen (R13). */
final readonly class Requests
{
    public function __construct(
        private ApprovalRequests $requests,
        private Approvables $approvables,
        private PostPlan $posting,
        private SecondPerson $second,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /**
     * Posts it, or asks a second person where it needs one.
     *
     * @param Closure(): ApprovalAsked $what is to be posted; only looked at if it was not yet
     * @param string $seen digest of the plan that the person saw; blank: whatever it is now
     *
     * @throws Refusal when it cannot be posted, or has changed since it was seen
     */
    public function postOrAsk(string $key, Closure $what, string $seen = ''): PostedOrAsked
    {
        [$posted, $requested] = [Once::result($key), Once::result("{$key}-ask")];
        if ($posted !== null || $requested !== null) {
            return $posted !== null ? PostedOrAsked::posted((int) $posted) : PostedOrAsked::asked((int) $requested);
        }
        $asked = $what();

        return $asked->why === ''
            ? PostedOrAsked::posted($this->posting->post($key, fn (): PostingPlan => $this->planOf($asked->kind, $asked->payload), $seen))
            : PostedOrAsked::asked($this->ask("{$key}-ask", $asked, $seen));
    }

    /**
     * @param string $seen digest of the plan that the person saw; blank: whatever it is now
     *
     * @throws Refusal when it needs nobody, is asked already, or has changed since it was seen
     */
    public function ask(string $key, ApprovalAsked $asked, string $seen = ''): int
    {
        $done = Once::result($key);
        if ($done !== null) {
            return (int) $done;
        }
        if ($asked->why === '') {
            throw new Refusal('It needs no second person. Post it.');
        }
        // Before the books are held for writing: approving looks at it again.
        $digest = $this->planOf($asked->kind, $asked->payload)->digest();
        if ($seen !== '' && $seen !== $digest) {
            throw Refusal::changed('What would be posted has changed since you looked. Look at the figures again, then ask.');
        }

        return (int) Once::for($key, function () use ($asked, $digest): int {
            $this->replace($this->requests->waitingFor($asked->kind, $asked->subject), $digest);
            $id = DB::table('approval_requests')->insertGetId([
                'kind' => $asked->kind->value,
                'subject' => $asked->subject,
                'payload' => json_encode($asked->payload, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'digest' => $digest,
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

        return $this->planOf(ApprovalKind::from($request->kind), $payload);
    }

    /** @param  array<string, mixed>  $payload */
    private function planOf(ApprovalKind $kind, array $payload): PostingPlan
    {
        return $this->approvables->maker($kind)->planOf($payload);
    }

    /** A request about the same that waits: asking for exactly that again is refused, for anything else takes its place. */
    private function replace(?stdClass $waiting, string $digest): void
    {
        if ($waiting === null) {
            return;
        }
        if ($waiting->digest === $digest) {
            throw Refusal::done("{$waiting->who} has asked for exactly this already.");
        }
        $this->answer($waiting->id, 'withdrawn', 'asked again after a change', null, $this->actor->who);
    }

    /**
     * @param string $outside day and evidence of the outside person; blank: whoever is signed in
     * @return int what the posting came to
     *
     * @throws Refusal when it is answered, has changed since it was asked, or the approver is the one who asked
     */
    public function approve(string $key, int $id, string $outside): int
    {
        return $this->postApproved($key, $id, $this->approver($key, $id, $outside), $outside);
    }

    /**
     * @param string $outside day and evidence of the outside person; blank: whoever is signed in
     * @return string who approves; blank: it was approved with this key before
     *
     * @throws Refusal when it is answered, or the approver is the one who asked
     */
    public function approver(string $key, int $id, string $outside): string
    {
        return Once::result($key) === null ? $this->second->approving($this->requests->open($id)->who, $outside) : '';
    }

    /**
     * @param string $by who approves it
     * @return int what the posting came to
     *
     * @throws Refusal when it is answered, or has changed since it was asked
     */
    public function postApproved(string $key, int $id, string $by, string $outside): int
    {
        return (int) Once::for($key, function () use ($key, $id, $by, $outside): int {
            $request = $this->requests->open($id);
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
