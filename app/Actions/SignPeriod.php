<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Refusal;
use Ajuste\Core\RefusalKind;
use Ajuste\Core\SignOff\SignOff;
use App\Actions\Approvals\SecondPerson;
use App\Actions\Posting\Once;
use App\Actions\Posting\PreparedPosting;
use App\Actions\Posting\Reason;
use App\Queries\Settings;
use App\Queries\SignOffs;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Two signatures over the same figures; the second locks the period, and the next one opens in the same step (R13). */
final readonly class SignPeriod
{
    public function __construct(
        private SignOffs $signOffs,
        private Settings $settings,
        private LockPeriod $lock,
        private PreparedPosting $prepared,
        private SecondPerson $second,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /** @throws Refusal when a check is neither green nor explained, or the figures are others than seen */
    public function prepare(string $key, SignOff $signOff, string $seen): void
    {
        Once::for($key, function () use ($signOff, $seen): int {
            $signOff->refusePreparer($seen);

            return $this->sign($signOff, 'preparer', '', $this->actor->who);
        });
    }

    /**
     * @param string $outside day and evidence of the outside person of a firm of one; blank: whoever is signed in
     *
     * @throws Refusal when the preparer has not signed these figures, or it is not a second person
     */
    public function review(string $key, SignOff $signOff, string $seen, string $outside): void
    {
        // The proofs that are kept may take long.
        $this->prepared->post(fn (): string => Once::for($key, function () use ($signOff, $seen, $outside): int {
            $who = $this->second->approving($signOff->prepared->who ?? '', $outside);
            $signOff->refuseReviewer($who, $seen);
            $signed = $this->sign($signOff, 'reviewer', trim($outside), $who);
            $this->lock->post($signOff->period);
            $this->turnTo($this->settings->calendar()->after($signOff->period));

            return $signed;
        }));
    }

    /** @throws Refusal when no words say what is to be changed, or nothing is in review */
    public function sendBack(string $key, SignOff $signOff, string $words): void
    {
        Once::for($key, function () use ($signOff, $words): int {
            SecondPerson::refuseOthers();
            if ($signOff->prepared === null) {
                throw Refusal::done('The preparer has not signed. There is nothing to send back.');
            }

            return $this->open($signOff->period, Reason::of($words), 'send back');
        });
    }

    /**
     * Only the latest locked period, by a reviewer, with a reason; its signatures fall.
     *
     * @throws Refusal otherwise
     */
    public function reopen(string $key, string $reason): void
    {
        Once::for($key, function () use ($reason): int {
            SecondPerson::refuseOthers();
            $through = $this->settings->locked()->through ?? throw new Refusal('No period is locked. There is nothing to open again.');
            $period = $this->settings->calendar()->lockedBy($through);
            $before = Day::plus($period->first, -1);
            DB::table('period_locks')->insert(['through' => $before, 'user_id' => null, 'recorded_at' => Moment::now()]);
            $this->turnTo($period);

            return $this->open($period, Reason::of($reason), 'reopen');
        });
    }

    /** @throws Refusal when the reason is blank */
    public function explain(string $key, string $check, string $reason): void
    {
        Once::for($key, function () use ($check, $reason): int {
            $why = Reason::of($reason, 'What is not green needs a reason.');
            $period = $this->signOffs->period();
            $id = DB::table('check_reasons')->insertGetId([
                'period' => $period->name, 'name' => $check, 'reason' => $why, 'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('explain check', "period {$period->name}", $why, ['check' => $check]);

            return $id;
        });
    }

    private function sign(SignOff $signOff, string $role, string $evidence, string $who): int
    {
        if ($this->settings->locked()->includes($this->settings->calendar()->lockedThrough($signOff->period))) {
            throw new Refusal("{$signOff->period->name} is locked already.", RefusalKind::Locked);
        }
        $id = DB::table('signatures')->insertGetId([
            'period' => $signOff->period->name,
            'role' => $role,
            'digest' => $signOff->figures->digest(),
            'figures' => json_encode($signOff->figures->byName, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'evidence' => $evidence,
            'who' => $who,
            'recorded_at' => Moment::now(),
        ]);
        $this->audit->record("sign as {$role}", "period {$signOff->period->name}", $evidence, ['digest' => $signOff->figures->digest()]);

        return $id;
    }

    private function open(Period $period, string $reason, string $what): int
    {
        $id = DB::table('reopenings')->insertGetId([
            'period' => $period->name, 'reason' => $reason, 'who' => $this->actor->who, 'recorded_at' => Moment::now(),
        ]);
        $this->audit->record($what, "period {$period->name}", $reason);

        return $id;
    }

    private function turnTo(Period $period): void
    {
        DB::table('settings')->insert([
            'name' => Setting::Period->value, 'value' => $period->name, 'recorded_at' => Moment::now(), 'who' => $this->actor->who,
            'reason' => 'the period before is signed',
        ]);
        $this->settings->forget();
    }
}
