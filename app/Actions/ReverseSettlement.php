<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use App\Models\Settlement;
use App\Models\Voucher;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use Illuminate\Support\Facades\DB;

/** Takes a match back: every open amount stands again as of the reversal's date, and the vouchers that it caused are reversed (R3). */
final readonly class ReverseSettlement
{
    public function __construct(private Settings $settings, private Actor $actor, private AuditTrail $audit, private VoucherReversal $reversal) {}

    /** @throws Refusal when the reason is blank, the date is locked or before the match, or the match is reversed already */
    public function post(string $key, int $settlementId, string $date, string $reason): void
    {
        Once::for($key, function () use ($settlementId, $date, $reason): int {
            $settlement = Settlement::query()->findOrFail($settlementId);
            $this->settings->locked()->refuse($date, 'The reversal');
            if ($date < $settlement->date) {
                throw new Refusal("The reversal cannot be dated {$date}: the match is dated {$settlement->date}. Choose that day or a later one.");
            }
            if (trim($reason) === '') {
                throw new Refusal('A reversal needs a reason, so that others can follow it.');
            }
            $matches = DB::table('matches')->where('settlement_id', $settlementId)->pluck('id');
            if (DB::table('match_reversals')->whereIn('match_id', $matches)->exists()) {
                throw new Refusal('This match is reversed already.');
            }
            $record = new Recorder($this->actor);
            foreach ($matches as $match) {
                $record->reverseMatch((int) $match, $date, $reason);
            }
            foreach (Voucher::query()->where('settlement_id', $settlementId)->whereNull('reverses_id')->get() as $voucher) {
                $this->reverseDifferences($record, $voucher, $this->reversal->post($record, $voucher, $date), $date);
            }
            $record->flush();
            $this->audit->record('reverse match', "settlement {$settlementId}", $reason, ['date' => $date]);

            return $settlementId;
        });
    }

    /** Each exchange difference gets its counterpart, and the two use each other up. */
    private function reverseDifferences(Recorder $record, Voucher $voucher, PostedVoucher $posted, string $date): void
    {
        foreach (DB::table('items')->where('voucher_id', $voucher->id)->orderBy('id')->get() as $item) {
            $side = Side::from($item->side);
            $place = DB::table('items')->where(['document' => $item->document, 'kind' => $item->kind, 'customer_id' => $item->customer_id])->max('occurrence');
            $back = $record->item(
                document: $item->document, kind: Kind::from($item->kind), customerId: $item->customer_id, occurrence: (int) $place + 1,
                side: $side === Side::Debit ? Side::Credit : Side::Debit, date: $date, dueDate: $date, currency: $item->currency, amount: 0, base: $item->base,
                controlAccountId: $item->control_account_id, reference: $item->reference, entry: $posted->number, sourceItemId: $item->source_item_id, voucherId: $posted->id,
            );
            [$debit, $credit] = $side === Side::Debit ? [$item->root_id, $back] : [$back, $item->root_id];
            $record->match($date, $debit, $credit, 0, $item->base, $item->base);
        }
    }
}
