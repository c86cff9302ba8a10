<?php

declare(strict_types=1);

namespace App\Actions\Proof;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/**
 * Carries a cause of the proof with a reason: it explains the difference for its period, and comes back as an opening cause of the next.
 */
final readonly class CarryCause
{
    public function __construct(private Reports $reports, private Settings $settings, private Actor $actor, private AuditTrail $audit) {}

    /** @throws Refusal when the cause is gone or changed, or the reason is blank */
    public function post(string $key, Account $control, string $asOf, string $causeKey, string $reason): void
    {
        Once::for($key, function () use ($control, $asOf, $causeKey, $reason): int {
            $cause = $this->reports->cause($control, $asOf, $causeKey);
            $why = Reason::of($reason, 'A cause is carried with a reason, so that others can follow it.');
            $id = DB::table('carried_causes')->insertGetId([
                'account_id' => $control->id,
                'cause_key' => $causeKey,
                'amount' => $cause->amount,
                'through' => $this->settings->calendar()->containing($asOf)->last,
                'reason' => $why,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('carry cause', "cause {$id}", $why, [
                'cause' => $cause->cause->value,
                'document' => $cause->document(),
                'amount' => $cause->amount,
            ]);

            return $id;
        });
    }

    public function withdraw(string $key, int $carriedId): void
    {
        Once::for($key, function () use ($carriedId): int {
            DB::table('carried_causes_withdrawn')->insertOrIgnore([
                'carried_id' => $carriedId,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('open cause again', "cause {$carriedId}");

            return $carriedId;
        });
    }
}
