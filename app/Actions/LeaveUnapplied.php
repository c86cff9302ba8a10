<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Calendar\LookAgain;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** What a customer has unapplied is left so on purpose, with a reason and a day to look again. */
final readonly class LeaveUnapplied
{
    public function __construct(private Settings $settings, private Actor $actor, private AuditTrail $audit) {}

    /** @throws Refusal when no reason is given, or the day is none or past */
    public function post(string $key, int $customerId, string $reason, string $lookAgain): void
    {
        Once::for($key, function () use ($customerId, $reason, $lookAgain): int {
            $why = Reason::of($reason, 'Say why it stays unapplied, so that others need not ask again.');
            $day = LookAgain::on($lookAgain, date('Y-m-d'), $this->settings->period()->last);
            $this->settings->locked()->refuse($lookAgain, 'The day to look again');
            DB::table('loose_reasons')->insert([
                'customer_id' => $customerId,
                'reason' => $why,
                'look_again' => $day,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('leave unapplied', "customer {$customerId}", $why, ['look_again' => $lookAgain]);

            return $customerId;
        });
    }
}
