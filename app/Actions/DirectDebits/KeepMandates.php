<?php

declare(strict_types=1);

namespace App\Actions\DirectDebits;

use Ajuste\Core\DirectDebit\Mandate;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\Mandates;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Mandates as customers sign and withdraw them. One is never changed: another takes its place. */
final readonly class KeepMandates
{
    public function __construct(private Mandates $mandates, private Actor $actor, private AuditTrail $audit) {}

    /**
     * @param string $today a mandate is signed by then
     * @return int the mandate
     *
     * @throws Refusal when its reference is taken, or it is signed later than today
     */
    public function add(string $key, int $customerId, Mandate $mandate, string $today): int
    {
        return (int) Once::for($key, function () use ($customerId, $mandate, $today): int {
            if ($mandate->signed > $today) {
                throw new Refusal("A mandate is signed by today; {$mandate->signed} is still to come.");
            }
            if (DB::table('mandates')->where('reference', $mandate->reference)->exists()) {
                throw new Refusal("There is a mandate {$mandate->reference} already. Each has a reference of its own.");
            }
            $id = DB::table('mandates')->insertGetId([
                'customer_id' => $customerId,
                'reference' => $mandate->reference,
                'holder' => $mandate->holder,
                'iban' => $mandate->iban,
                'signed_on' => $mandate->signed,
                'scheme' => $mandate->scheme->value,
                'use' => $mandate->use->value,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('keep mandate', "mandate {$id}", '', ['reference' => $mandate->reference, 'iban' => $mandate->iban]);

            return $id;
        });
    }

    /**
     * It holds no more from a day on.
     *
     * @throws Refusal when it ended already, or no reason is given
     */
    public function end(string $key, int $mandateId, string $date, string $reason): void
    {
        Once::for($key, function () use ($mandateId, $date, $reason): int {
            $why = Reason::of($reason);
            $kept = $this->mandates->find($mandateId);
            if ($kept->history->ended !== '') {
                throw Refusal::done("Mandate {$kept->mandate->reference} ended on {$kept->history->ended}.");
            }
            DB::table('mandate_ends')->insert([
                'mandate_id' => $mandateId, 'date' => $date, 'reason' => $why, 'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('end mandate', "mandate {$mandateId}", $why, ['reference' => $kept->mandate->reference, 'date' => $date]);

            return $mandateId;
        });
    }
}
