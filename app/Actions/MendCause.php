<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\LedgerCorrection;
use Ajuste\Core\Refusal;
use App\Models\Voucher as VoucherModel;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** What a person does about a cause of the proof: correct the ledger by a voucher, or carry it with a reason. */
final readonly class MendCause
{
    public function __construct(private Settings $settings, private Reports $reports, private Actor $actor, private AuditTrail $audit, private VoucherReversal $reversal) {}

    /** @throws Refusal */
    public function plan(CauseLine $cause, Account $control, Account $counter, string $date): Voucher
    {
        return (new LedgerCorrection($this->settings->locked(), $this->settings->base()))->voucher($cause, $control, $counter, $date);
    }

    /**
     * The account that the correction would most likely be posted against: the wrong one, else the other side of the entry.
     */
    public function counterAccount(CauseLine $cause, Account $control): ?Account
    {
        $entries = array_map(static fn ($posting): string => $posting->entry, $cause->postings);
        $id = DB::table('postings')->whereIn('entry', $entries)->where('account_id', '<>', $control->id)->whereNull('superseded_at')->orderByRaw('abs(base) DESC')->value('account_id');

        return is_int($id) ? $this->settings->accounts()->withId($id) : null;
    }

    /** @throws Refusal when the cause is gone or changed, or the voucher cannot be posted */
    public function correct(string $key, Account $control, string $asOf, string $causeKey, Account $counter, string $date): void
    {
        Once::for($key, function () use ($control, $asOf, $causeKey, $counter, $date): int {
            $cause = $this->cause($control, $asOf, $causeKey);
            $record = new Recorder($this->actor);
            $posted = $record->voucher($this->plan($cause, $control, $counter, $date));
            $record->flush();
            $this->audit->record(
                'correct the ledger', "voucher {$posted->number}", $cause->note,
                ['cause' => $cause->cause->value, 'document' => $cause->document(), 'amount' => $cause->amount],
            );

            return $posted->id;
        });
    }

    /** @throws Refusal when the cause is gone or changed, or the reason is blank */
    public function carry(string $key, Account $control, string $asOf, string $causeKey, string $reason): void
    {
        Once::for($key, function () use ($control, $asOf, $causeKey, $reason): int {
            $cause = $this->cause($control, $asOf, $causeKey);
            if (trim($reason) === '') {
                throw new Refusal('A cause is carried with a reason, so that others can follow it.');
            }
            $id = DB::table('carried_causes')->insertGetId([
                'account_id' => $control->id, 'cause_key' => $causeKey, 'amount' => $cause->amount, 'reason' => $reason, 'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('carry cause', "cause {$id}", $reason, ['cause' => $cause->cause->value, 'document' => $cause->document(), 'amount' => $cause->amount]);

            return $id;
        });
    }

    public function withdraw(string $key, int $carriedId): void
    {
        Once::for($key, function () use ($carriedId): int {
            DB::table('carried_causes_withdrawn')->insertOrIgnore(['carried_id' => $carriedId, 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
            $this->audit->record('open cause again', "cause {$carriedId}");

            return $carriedId;
        });
    }

    /** @throws Refusal when the reason is blank, or the voucher belongs to a match or run and goes with it */
    public function reverseVoucher(string $key, int $voucherId, string $reason): void
    {
        Once::for($key, function () use ($voucherId, $reason): int {
            $voucher = VoucherModel::query()->findOrFail($voucherId);
            if (trim($reason) === '') {
                throw new Refusal('A reversal needs a reason, so that others can follow it.');
            }
            $refusal = $this->reversal->refusal($voucher);
            if ($refusal !== null) {
                throw new Refusal($refusal);
            }
            $date = $this->settings->locked()->firstOpenFrom($voucher->date);
            $record = new Recorder($this->actor);
            $posted = $this->reversal->post($record, $voucher, $date);
            $record->flush();
            $this->audit->record('reverse voucher', "voucher {$voucher->number}", $reason, ['by' => $posted->number, 'date' => $date]);

            return $posted->id;
        });
    }

    private function cause(Account $control, string $asOf, string $causeKey): CauseLine
    {
        foreach ($this->reports->proof($control, $asOf)->lines as $line) {
            if ($line->key() === $causeKey) {
                return $line;
            }
        }

        throw new Refusal('This cause is no longer there: the books have changed. Look at the proof again.');
    }
}
