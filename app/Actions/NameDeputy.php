<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use App\Actions\Approvals\SecondPerson;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Models\User;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** A reviewer names who approves and signs on days away, or takes it back. Whoever asked for something still never approves it. */
final readonly class NameDeputy
{
    public function __construct(private Actor $actor, private AuditTrail $audit) {}

    /**
     * @param string $from first day, ISO
     * @param string $to last day
     *
     * @throws Refusal when it is not a reviewer who names, nobody else is named, or the days are none
     */
    public function post(string $key, User $reviewer, int $deputyId, string $from, string $to, string $reason): void
    {
        SecondPerson::refuseAllButReviewers($reviewer);
        $why = Reason::of($reason, 'Say why, such as “on leave”.');
        $deputy = User::query()->whereNull('disabled_at')->find($deputyId);
        if ($deputy === null || $deputy->is($reviewer) || ! $deputy->role->mayWrite()) {
            throw new Refusal('Choose another person who may post in these books.');
        }
        if ($to < $from || $to < substr(Moment::now(), 0, 10)) {
            throw new Refusal("From {$from} to {$to} is no time that is still to come. Correct the days.");
        }
        Once::for($key, function () use ($reviewer, $deputy, $from, $to, $why): int {
            $id = DB::table('deputies')->insertGetId([
                'reviewer_id' => $reviewer->id, 'deputy_id' => $deputy->id, 'from_day' => $from, 'to_day' => $to, 'reason' => $why,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('name deputy', "deputy {$id}", $why, ['deputy' => $deputy->name, 'from' => $from, 'to' => $to]);

            return $id;
        });
    }

    /** @throws Refusal when it is over, or another's */
    public function end(string $key, User $reviewer, int $id): void
    {
        Once::for($key, function () use ($reviewer, $id): int {
            $stands = DB::table('deputies')->where(['id' => $id, 'reviewer_id' => $reviewer->id])->exists()
                && ! DB::table('deputies_ended')->where('deputy_row_id', $id)->exists();
            if (! $stands) {
                throw Refusal::done('There is no such deputy any more. Load the page again.');
            }
            DB::table('deputies_ended')->insert(['deputy_row_id' => $id, 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
            $this->audit->record('end deputy', "deputy {$id}", '');

            return $id;
        });
    }
}
