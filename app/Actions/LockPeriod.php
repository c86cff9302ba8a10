<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Refusal;
use App\Queries\ProofLines;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Queries\SignedProofs;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Locks every day through the end of a period (R13), and keeps its proofs as the start of the next (R12). */
final readonly class LockPeriod
{
    public function __construct(private Settings $settings, private Reports $reports, private AuditTrail $audit) {}

    /** @throws Refusal when those days are locked already */
    public function post(Period $period, ?int $userId = null): void
    {
        DB::transaction(function () use ($period, $userId): void {
            $through = $this->settings->calendar()->lockedThrough($period);
            if ($this->settings->locked()->includes($through)) {
                throw new Refusal("The days through {$through} are locked already.");
            }
            foreach ($this->settings->accounts()->carryingCustomers() as $account) {
                $lines = ProofLines::since($account->id, $through);
                SignedProofs::keep($account->id, $this->reports->proofOf($lines, $through), $lines->itemsNameEntries());
            }
            DB::table('period_locks')->insert(['through' => $through, 'user_id' => $userId, 'recorded_at' => Moment::now()]);
            $this->audit->record('lock', "period {$period->name}");
        });
    }
}
