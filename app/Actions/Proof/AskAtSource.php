<?php

declare(strict_types=1);

namespace App\Actions\Proof;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\Reports;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Puts a cause of the proof on the list of what others mend where it came from. */
final readonly class AskAtSource
{
    public function __construct(private Reports $reports, private Actor $actor, private AuditTrail $audit) {}

    /** @throws Refusal when the cause is gone or changed, or nothing is asked */
    public function post(string $key, Account $control, string $asOf, string $causeKey, string $request): void
    {
        Once::for($key, function () use ($control, $asOf, $causeKey, $request): int {
            $cause = $this->reports->cause($control, $asOf, $causeKey);
            $id = DB::table('source_fixes')->insertGetId([
                'account_id' => $control->id,
                'cause_key' => $causeKey,
                'cause' => $cause->cause->value,
                'document' => $cause->document(),
                'customer' => $cause->customer(),
                'entry' => $cause->entry(),
                'amount' => $cause->amount,
                'request' => Reason::of($request, 'Say what is to be mended, so that others can do it.'),
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('ask to mend at the source', "source fix {$id}", $request, [
                'document' => $cause->document(),
                'amount' => $cause->amount,
            ]);

            return $id;
        });
    }
}
