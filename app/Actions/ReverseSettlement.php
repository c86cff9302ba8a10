<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use App\Models\Settlement;
use App\Models\Voucher;
use App\Queries\Matches;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Takes a match back: every open amount stands again as of the reversal's date, and the vouchers that it caused are reversed (R3). */
final readonly class ReverseSettlement
{
    public function __construct(private Settings $settings, private Actor $actor, private AuditTrail $audit, private VoucherReversal $reversal) {}

    /** @throws Refusal when the reason is blank, the date is locked or before the match, or the match is reversed already */
    public function post(string $key, int $settlementId, string $date, string $reason): void
    {
        Once::for($key, function () use ($settlementId, $date, $reason): int {
            $record = new Recorder($this->actor);
            $this->undo($record, $settlementId, $date, Reason::of($reason));
            $record->flush();

            return $settlementId;
        });
    }

    /**
     * The same inside the transaction of another action.
     *
     * @throws Refusal
     */
    public function undo(Recorder $record, int $settlementId, string $date, string $reason): void
    {
        $settlement = Settlement::query()->findOrFail($settlementId);
        $this->settings->locked()->refuse($date, 'The reversal');
        if ($date < $settlement->date) {
            throw new Refusal("The reversal cannot be dated {$date}: the match is dated {$settlement->date}. Choose that day or a later one.");
        }
        $matches = Matches::standing()->where('settlement_id', $settlementId)->pluck('id');
        if ($matches->isEmpty()) {
            throw new Refusal('This match is reversed already.');
        }
        foreach ($matches as $match) {
            $record->reverseMatch((int) $match, $date, $reason);
        }
        foreach (Voucher::query()->where('settlement_id', $settlementId)->whereNull('reverses_id')->get() as $voucher) {
            $posted = $this->reversal->post($record, $voucher, $date);
            foreach (DB::table('items')->where('voucher_id', $voucher->id)->orderBy('id')->get() as $item) {
                $this->undoAll($record, $item->root_id, $date, $reason); // what another match took of it since
                $this->counter($record, $item, $posted, $date, $reason);
            }
        }
        foreach (DB::table('contested')->where('settlement_id', $settlementId)->whereNotIn('id', DB::table('contested_ends')->select('contested_id'))->pluck('id') as $contested) {
            DB::table('contested_ends')->insert(['contested_id' => $contested, 'reason' => $reason, 'date' => $date, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
        }
        $this->audit->record('reverse match', "settlement {$settlementId}", $reason, ['date' => $date]);
    }

    /**
     * One line of a match only; the rest of it stands.
     *
     * @throws Refusal when the match caused vouchers, which belong to the whole of it, or the line is reversed already
     */
    public function oneLine(string $key, int $matchId, string $date, string $reason): void
    {
        Once::for($key, function () use ($matchId, $date, $reason): int {
            $match = Matches::standing()->where('id', $matchId)->first() ?? throw new Refusal('This line is reversed already. Load the page again.');
            if ($match->settlement_id !== null && Voucher::query()->where('settlement_id', $match->settlement_id)->exists()) {
                throw new Refusal("Match {$match->settlement_id} caused vouchers that belong to all of its lines. Reverse it as a whole.");
            }
            $this->settings->locked()->refuse($date, 'The reversal');
            if ($date < $match->date) {
                throw new Refusal("The reversal cannot be dated {$date}: the match is dated {$match->date}. Choose that day or a later one.");
            }
            $why = Reason::of($reason);
            $record = new Recorder($this->actor);
            $record->reverseMatch($matchId, $date, $why);
            $record->flush();
            $this->audit->record('reverse a line of a match', $match->settlement_id === null ? "item {$match->credit_item_id}" : "settlement {$match->settlement_id}", $why, ['date' => $date, 'line' => (string) $matchId]);

            return $matchId;
        });
    }

    /** Everything that an item is matched with, so that all of it is open again. */
    public function undoAll(Recorder $record, int $itemId, string $date, string $reason): void
    {
        $matches = Matches::standing()->where(static fn (Builder $query) => $query->where('debit_item_id', $itemId)->orWhere('credit_item_id', $itemId))->get(['id', 'settlement_id', 'date']);
        foreach ($matches->pluck('settlement_id')->filter()->unique() as $settlement) {
            $this->undo($record, (int) $settlement, $date, $reason);
        }
        foreach ($matches->whereNull('settlement_id') as $match) {
            if ($date < $match->date) {
                throw new Refusal("The reversal cannot be dated {$date}: a match of it is dated {$match->date}. Choose that day or a later one.");
            }
            $record->reverseMatch($match->id, $date, $reason);
        }
    }

    /** Gives an item, all of which is open, its counterpart: the two use each other up. */
    public function counter(Recorder $record, stdClass $item, PostedVoucher $posted, string $date, string $reason): void
    {
        $side = Side::from($item->side);
        $kind = Kind::from($item->kind)->correctsBaseOnly() ? Kind::from($item->kind) : Kind::Adjustment;
        $back = $record->item(
            document: $item->document, kind: $kind, customerId: $item->customer_id, occurrence: $record->nextOccurrence($item->document, $kind, $item->customer_id),
            side: $side === Side::Debit ? Side::Credit : Side::Debit, date: $date, dueDate: $date, currency: $item->currency, amount: $item->amount, base: $item->base,
            controlAccountId: $item->control_account_id, reference: $kind === Kind::Adjustment ? $item->document : $item->reference, entry: $posted->number, sourceItemId: $item->source_item_id, voucherId: $posted->id,
        );
        [$debit, $credit] = $side === Side::Debit ? [$item->root_id, $back] : [$back, $item->root_id];
        $record->match($date, $debit, $credit, $item->amount, $item->base, $item->base);
        DB::table('item_reversals')->insert(['item_id' => $item->root_id, 'by_item_id' => $back, 'date' => $date, 'reason' => $reason, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
    }
}
