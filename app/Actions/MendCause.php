<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\CustomerCorrection;
use Ajuste\Core\Proof\LedgerCorrection;
use Ajuste\Core\Proof\ProofLine;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
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
    public function __construct(private Settings $settings, private Reports $reports, private Actor $actor, private AuditTrail $audit, private VoucherReversal $reversal, private ReverseSettlement $settlements) {}

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

    /**
     * An entry on the customer's side: an adjustment under the cause's document.
     *
     * @throws Refusal when the cause is gone or changed, or the entry cannot be posted
     */
    public function adjustCustomer(string $key, Account $control, string $asOf, string $causeKey, int $customerId, string $date): void
    {
        Once::for($key, function () use ($control, $asOf, $causeKey, $customerId, $date): int {
            $cause = $this->cause($control, $asOf, $causeKey);
            $customer = DB::table('customers')->where('id', $customerId)->value('customer') ?? throw new Refusal('Choose the customer on whose account the entry belongs.');
            $correction = new CustomerCorrection($this->settings->locked(), $this->settings->base());
            $record = new Recorder($this->actor);
            $posted = $record->voucher($correction->voucher($cause, $control, $date, (string) $customer));
            $amount = $correction->amount($cause);
            $document = CustomerCorrection::document($cause);
            $record->item(
                document: $document, kind: Kind::Adjustment, customerId: $customerId, occurrence: $record->nextOccurrence($document, Kind::Adjustment, $customerId), side: Side::ofSign($amount->minor),
                date: $date, dueDate: $date, currency: $amount->currency->code, amount: $amount->abs()->minor, base: $amount->abs()->minor, controlAccountId: $control->id, reference: $document,
                entry: $cause->document() === '' ? $cause->entry() : $posted->number, voucherId: $posted->id,
            );
            $record->flush();
            $this->audit->record("correct the customer's side", "voucher {$posted->number}", $cause->note, ['cause' => $cause->cause->value, 'document' => $document, 'amount' => $amount->minor]);

            return $posted->id;
        });
    }

    /**
     * Puts the cause on the list of what others mend at the source.
     *
     * @throws Refusal when the cause is gone or changed, or nothing is asked
     */
    public function askAtSource(string $key, Account $control, string $asOf, string $causeKey, string $request): void
    {
        Once::for($key, function () use ($control, $asOf, $causeKey, $request): int {
            $cause = $this->cause($control, $asOf, $causeKey);
            $id = DB::table('source_fixes')->insertGetId([
                'account_id' => $control->id, 'cause_key' => $causeKey, 'cause' => $cause->cause->value, 'document' => $cause->document(), 'customer' => $cause->customer(), 'entry' => $cause->entry(), 'amount' => $cause->amount,
                'request' => Reason::of($request, 'Say what is to be mended, so that others can do it.'), 'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('ask to mend at the source', "source fix {$id}", $request, ['document' => $cause->document(), 'amount' => $cause->amount]);

            return $id;
        });
    }

    /**
     * Lines that belong together whatever the tests say, or do not belong together.
     *
     * @param list<string> $causeKeys whose lines are meant
     *
     * @throws Refusal when fewer than two lines are meant, or no reason is given
     */
    public function pairByHand(string $key, Account $control, string $asOf, array $causeKeys, bool $together, string $reason): void
    {
        Once::for($key, function () use ($control, $asOf, $causeKeys, $together, $reason): int {
            $postings = $items = [];
            foreach ($causeKeys as $causeKey) {
                [$ofPostings, $ofItems] = $this->linesOf($control, $asOf, $causeKey);
                array_push($postings, ...$ofPostings);
                array_push($items, ...$ofItems);
            }
            if (count($postings) + count($items) < 2) {
                throw new Refusal('Choose the line that it belongs to.');
            }
            $id = DB::table('hand_pairs')->insertGetId(['account_id' => $control->id, 'together' => $together ? 1 : 0, 'reason' => Reason::of($reason, 'Say why, so that others can follow it.'), 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
            foreach ($postings as $posting) {
                $row = DB::table('postings')->where('id', $posting)->where('account_id', $control->id)->whereNull('superseded_at')->first() ?? throw new Refusal('A posting is gone. Look at the proof again.');
                DB::table('hand_pair_lines')->insert(['hand_pair_id' => $id, 'entry' => $row->entry, 'occurrence' => $row->occurrence]);
            }
            foreach ($items as $item) {
                DB::table('hand_pair_lines')->insert(['hand_pair_id' => $id, 'item_id' => $item]);
            }
            $this->audit->record($together ? 'pair by hand' : 'part by hand', "hand pair {$id}", $reason);

            return $id;
        });
    }

    public function withdrawPair(string $key, int $pairId): void
    {
        Once::for($key, function () use ($pairId): int {
            DB::table('hand_pairs_withdrawn')->insertOrIgnore(['hand_pair_id' => $pairId, 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
            $this->audit->record('withdraw pair', "hand pair {$pairId}");

            return $pairId;
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
                'account_id' => $control->id, 'cause_key' => $causeKey, 'amount' => $cause->amount, 'through' => Period::containing($asOf)->last, 'reason' => $reason, 'who' => $this->actor->who,
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
            $reason = Reason::of($reason);
            $refusal = $this->reversal->refusal($voucher);
            if ($refusal !== null) {
                throw new Refusal($refusal);
            }
            $date = $this->settings->locked()->firstOpenFrom($voucher->date);
            $record = new Recorder($this->actor);
            $posted = $this->reversal->post($record, $voucher, $date);
            foreach (DB::table('items')->where('voucher_id', $voucher->id)->get() as $item) {
                $this->settlements->counter($record, $item, $posted, $date, $reason);
            }
            $record->flush();
            $this->audit->record('reverse voucher', "voucher {$voucher->number}", $reason, ['by' => $posted->number, 'date' => $date]);

            return $posted->id;
        });
    }

    /**
     * The postings and items that a key names: a cause of the proof as it is now, or a pair without a difference.
     *
     * @return array{list<int>, list<int>}
     *
     * @throws Refusal when they are gone or changed
     */
    private function linesOf(Account $control, string $asOf, string $key): array
    {
        if (preg_match('/^pair-([\d.]*)-([\d.]*)$/D', $key, $named) === 1) {
            $listed = static fn (string $ids): array => array_map(intval(...), preg_split('/\./', $ids, -1, PREG_SPLIT_NO_EMPTY) ?: []);

            return [$listed($named[1]), $listed($named[2])];
        }
        $cause = $this->cause($control, $asOf, $key);
        $id = static fn (ProofLine $line): int => $line->id;

        return [array_map($id, $cause->postings), array_map($id, $cause->items)];
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
