<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Refusal;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** What a customer has loose is left so on purpose, with a reason and a day to look again. */
final readonly class LeaveLoose
{
    public function __construct(private Actor $actor, private AuditTrail $audit) {}

    /** @throws Refusal when no reason is given, or the day is none */
    public function post(string $key, int $customerId, string $reason, string $lookAgain): void
    {
        Once::for($key, function () use ($customerId, $reason, $lookAgain): int {
            $why = Reason::of($reason, 'Say why it stays loose, so that others need not ask again.');
            DB::table('loose_reasons')->insert(['customer_id' => $customerId, 'reason' => $why, 'look_again' => Day::of($lookAgain), 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
            $this->audit->record('leave loose', "customer {$customerId}", $why, ['look_again' => $lookAgain]);

            return $customerId;
        });
    }
}
