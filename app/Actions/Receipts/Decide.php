<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DiscountChoice;
use Ajuste\Core\Settlement\DiscountDecision;
use Ajuste\Core\Settlement\TaxRelief;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\Drafts;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use App\Values\ReceiptRequest;
use Illuminate\Support\Facades\DB;

/** Decisions around receipts that post nothing: drafts, discounts, contested amounts, the list of deduction reasons. */
final readonly class Decide
{
    public function __construct(private Settings $settings, private Actor $actor, private AuditTrail $audit) {}

    public function keepDraft(ReceiptRequest $request): void
    {
        DB::table('receipt_drafts')->updateOrInsert(
            ['line_id' => $request->lineId],
            ['request' => Drafts::written($request), 'who' => $this->actor->who, 'recorded_at' => Moment::now()],
        );
    }

    public function dropDraft(int $lineId): void
    {
        DB::table('receipt_drafts')->where('line_id', $lineId)->delete();
    }

    /** @throws Refusal when no reason is given or the moved date is no day */
    public function discount(string $key, int $itemId, DiscountChoice $choice, string $until, string $reason): void
    {
        Once::for($key, function () use ($itemId, $choice, $until, $reason): int {
            $item =
                DB::table('items')->where('root_id', $itemId)->whereNull('superseded_at')->first(['document', 'date']) ??
                throw new Refusal('There is no such item. Load the page again.');
            $decision = new DiscountDecision($choice, $choice === DiscountChoice::Until ? $until : '', trim($reason), $item->date);
            DB::table('discount_decisions')->insert([
                'item_id' => $itemId,
                'choice' => $choice->value,
                'until' => $decision->until,
                'reason' => $decision->reason,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record("discount {$choice->words()}", "item {$itemId}", $decision->reason, [
                'document' => $item->document,
                'until' => $decision->until,
            ]);

            return $itemId;
        });
    }

    /** @throws Refusal when the day is locked, or the mark is gone already */
    public function endContest(string $key, int $contestedId, string $date, string $reason): void
    {
        Once::for($key, function () use ($contestedId, $date, $reason): int {
            $this->settings->locked()->refuse(Day::of($date), 'The end of a contested mark');
            if (DB::table('contested_ends')->where('contested_id', $contestedId)->exists()) {
                throw new Refusal('It is not contested any more.');
            }
            $why = Reason::of($reason, 'Say how it was settled: accepted, paid, withdrawn.');
            DB::table('contested_ends')->insert([
                'contested_id' => $contestedId,
                'reason' => $why,
                'date' => $date,
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('no longer contested', "contested {$contestedId}", $why, ['date' => $date]);

            return $contestedId;
        });
    }

    /**
     * Adds a reason for deductions, or changes the one with the code.
     *
     * @param string $account number; blank: contested
     *
     * @throws Refusal when code or words are missing, or the account cannot take it
     */
    public function keepReason(
        string $key,
        string $code,
        string $words,
        string $account,
        bool $taxRelief,
        string $rate,
        bool $namesInvoice,
    ): void {
        Once::for($key, function () use ($code, $words, $account, $taxRelief, $rate, $namesInvoice): string {
            $code = mb_strtoupper(trim($code));
            if (preg_match('/^[\p{L}\p{N}_-]{1,12}$/u', $code) !== 1 || trim($words) === '') {
                throw new Refusal('A reason has a code of up to 12 letters and figures, and words that people understand.');
            }
            $posted = trim($account) === '' ? null : $this->settings->accounts()->numbered(trim($account));
            if ($posted?->role?->carriesCustomers() === true) {
                throw new Refusal(
                    "{$posted->title()} carries customers. An accepted deduction goes to an account of cost or reduced sales.",
                );
            }
            if (trim($rate) !== '') {
                TaxRelief::atRate(0, trim($rate));
            }
            DB::table('deduction_reasons')->updateOrInsert(
                ['code' => $code],
                [
                    'words' => trim($words),
                    'account_id' => $posted?->id,
                    'tax_relief' => $taxRelief ? 1 : 0,
                    'rate' => trim($rate),
                    'names_invoice' => $namesInvoice ? 1 : 0,
                    'retired_at' => null,
                ],
            );
            $this->audit->record('keep deduction reason', "reason {$code}", trim($words), ['account' => $posted->number ?? 'contested']);

            return $code;
        });
    }

    public function retireReason(string $key, string $code): void
    {
        Once::for($key, function () use ($code): string {
            DB::table('deduction_reasons')
                ->where('code', $code)
                ->update(['retired_at' => Moment::now()]);
            $this->audit->record('retire deduction reason', "reason {$code}");

            return $code;
        });
    }
}
