<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Deduction;
use Ajuste\Core\Settlement\Matching;
use Ajuste\Core\Settlement\MatchPlan;
use Ajuste\Core\Settlement\ReceiptSettlement;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Actions\Receipts\DeductionEntry;
use App\Models\Customer;
use App\Models\Settlement;
use App\Queries\DepositTaxes;
use App\Queries\Positions;
use App\Queries\Proposals;
use App\Queries\Settings;
use App\Support\Actor;
use Illuminate\Support\Facades\DB;

/**
 * All that a customer's open items can settle of each other, in one settlement: deposits are taken over and credits in other money converted, discounts and deductions come
 * off, and then it is matched (R3). A rehearsal does the same and takes it back.
 */
final readonly class SettleItems
{
    public function __construct(private Settings $settings, private Positions $positions, private Proposals $proposals, private DepositTaxes $taxes, private MatchItems $match, private TakeReductions $reductions, private TakeOverCredit $takeOver, private Actor $actor) {}

    public function rehearse(MatchRequest $request, Account $control): MatchRehearsal
    {
        if ($this->isPlain($request, $control)) {
            return $this->match->rehearse($request);
        }
        DB::beginTransaction();
        try {
            $record = new Recorder($this->actor);
            $rehearsal = $this->work($record, $request, $control);
            $record->flush();

            return $rehearsal;
        } finally {
            DB::rollBack();
        }
    }

    /**
     * @param string $seen digest of the rehearsal that the person saw; blank: whatever the plan is now
     * @return int the settlement's number
     *
     * @throws Refusal when the match cannot be posted, or would no longer be what was seen
     */
    public function post(string $key, MatchRequest $request, Account $control, string $seen = ''): int
    {
        if ($this->isPlain($request, $control)) {
            return $this->match->post($key, $request, $seen);
        }

        return (int) Once::for($key, function () use ($request, $control, $seen): int {
            $record = new Recorder($this->actor);
            $rehearsal = $this->work($record, $request, $control);
            $this->match->refuseUnseen($rehearsal, $seen);
            $record->flush();

            return (int) Settlement::query()->max('id');
        });
    }

    /** Whether there is nothing to do but match. */
    private function isPlain(MatchRequest $request, Account $control): bool
    {
        $rows = DB::table('item_positions as p')->join('items as i', 'i.id', '=', 'p.row_id')->whereIn('p.item_id', array_keys($request->typed));

        return $request->discounts === [] && $request->deductions === [] && $request->lines === [] && $request->worth === []
            && (clone $rows)->where('p.control_account_id', '<>', $control->id)->doesntExist() && (clone $rows)->distinct()->count('i.currency') < 2;
    }

    private function work(Recorder $record, MatchRequest $request, Account $control): MatchRehearsal
    {
        $plan = null;
        try {
            $plan = $this->plan($request, $control);
            $remainder = $plan->settlement->toExplain;
            Matching::refuseRemainder($remainder);
            [$match, $vouchers] = $this->record($record, $request, $control, $plan);

            return new MatchRehearsal($plan->ticks, $remainder, $match, null, $vouchers);
        } catch (Refusal $refusal) {
            return new MatchRehearsal($plan->ticks ?? [], $plan?->settlement->toExplain, null, $refusal->getMessage());
        }
    }

    /**
     * Works out what each item takes, from the books as they are.
     *
     * @throws Refusal when what is asked for does not fit
     */
    private function plan(MatchRequest $request, Account $control): SettlementPlan
    {
        $asIs = array_column(array_map(static fn (OpenItem $item): array => [$item->id, $item], $this->match->items($request, $request->date)), 1, 0);
        if ($asIs === []) {
            throw new Refusal('Nothing is ticked. Tick at least one debit and one credit.');
        }
        $currency = $this->currency($asIs);
        $items = array_map(fn (OpenItem $item): OpenItem => $this->asSettled($item, $request, $control, $currency), $asIs);
        $typed = $this->match->typed(array_values($items), $request->typed);
        // What a discount, a deduction or single lines concern takes what is meant of it; only the rest gives way to what both sides allow.
        foreach ([...$request->discounts, ...array_keys($request->lines), ...array_map(static fn (DeductionEntry $entry): int => $entry->itemId, $request->deductions)] as $id) {
            if (isset($items[$id])) {
                $typed[$id] ??= $this->reductions->ofLines($items[$id], $request->lines[$id] ?? []);
            }
        }
        $meant = array_map(static fn (OpenItem $item): Tick => new Tick($item, $typed[$item->id] ?? $item->open), array_values($items));
        $discounts = $this->reductions->discounts($request->discounts, $meant, $this->valueDate($asIs, $request));
        $deductions = $this->reductions->deductions($request->deductions, $items + $this->named($request), $currency);
        $off = array_sum(array_map(static fn (Money $discount): int => $discount->minor, $discounts)) + array_sum(array_map(static fn (Deduction $deduction): int => $deduction->amount->minor, $deductions));
        $matching = new Matching($this->settings->accounts(), $this->settings->locked());
        $ticks = $matching->fill(array_values($items), $typed, $off);
        $date = $request->date ?? max($matching->earliestDate(array_values($asIs)), $this->positions->freeFrom(array_keys($asIs)));

        return new SettlementPlan($date, $asIs, $items, $ticks, $discounts, $deductions, ReceiptSettlement::of(Money::zero($currency), $ticks, $discounts, $deductions, null));
    }

    /**
     * Writes what was planned.
     *
     * @return array{MatchPlan, list<Voucher>}
     *
     * @throws Refusal when the day is locked or before one of the documents
     */
    private function record(Recorder $record, MatchRequest $request, Account $control, SettlementPlan $plan): array
    {
        $this->settings->locked()->refuse($plan->date, 'The match');
        foreach ($plan->asIs as $item) {
            Matching::refuseEarlier($item, $plan->date);
        }
        $customer = Customer::query()->findOrFail($request->customerId);
        $id = Settlement::query()->create(['customer_id' => $customer->id, 'date' => $plan->date, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt])->id;
        $vouchers = $takes = [];
        foreach ($plan->settlement->takes as $itemId => $amount) {
            [$voucher, $settles] = $this->bring($record, $id, $plan->date, $plan->asIs[$itemId], $plan->items[$itemId]->open, $amount, $control, $customer);
            $takes[$settles] = $amount->decimal();
            array_push($vouchers, ...($voucher === null ? [] : [$voucher]));
        }
        foreach ($this->reductions->record($record, $id, $control, $customer, $plan->date, $this->document($plan->ticks), $plan->ticks, $plan->discounts, $plan->deductions) as [$voucher, $item, $amount]) {
            $vouchers[] = $voucher;
            $takes[$item] = $amount->decimal();
        }
        $rehearsal = $this->match->rehearse(new MatchRequest($customer->id, $takes, $plan->date));
        $match = $rehearsal->plan ?? throw new Refusal($rehearsal->refusal ?? 'Nothing is ticked. Tick at least one debit and one credit.');
        $this->match->store($record, $match, $id);
        $this->reductions->contest($plan->settlement->contested, $id, $plan->date);
        $this->reductions->keepLines(array_intersect_key($request->lines, $plan->settlement->takes), $id);

        return [$match, [...$vouchers, ...($match->voucher === null ? [] : [$match->voucher])]];
    }

    /**
     * Items that a deduction names, ticked or not.
     *
     * @return array<int, OpenItem>
     */
    private function named(MatchRequest $request): array
    {
        $named = [];
        foreach (array_filter($request->deductions, static fn (DeductionEntry $entry): bool => $entry->itemId !== 0) as $entry) {
            $named[$entry->itemId] = $this->positions->find($entry->itemId);
        }

        return $named;
    }

    /**
     * That of the debits; where only credits are ticked, the first one's.
     *
     * @param non-empty-array<int, OpenItem> $items
     */
    private function currency(array $items): Currency
    {
        $debits = array_values(array_filter($items, static fn (OpenItem $item): bool => $item->side === Side::Debit));

        return ($debits[0] ?? $items[array_key_first($items)])->open->currency;
    }

    /** An item as the match sees it: a deposit with its tax, a credit in other money at what it is worth. */
    private function asSettled(OpenItem $item, MatchRequest $request, Account $control, Currency $currency): OpenItem
    {
        $code = $item->open->currency->code;
        if ($this->isDeposit($item)) {
            if ($code !== $currency->code) {
                throw new Refusal("{$item->title()} is in {$code}, what it is to settle in {$currency->code}. A deposit settles an invoice in its own currency.");
            }

            return $item->countedAs($this->taxes->shareOf($item)->openGross());
        }
        if ($item->controlAccountId !== $control->id) {
            throw new Refusal("{$item->title()} stands on another control account. A match stays within one control account.");
        }
        if ($code === $currency->code) {
            return $item;
        }
        if ($item->open->isZero()) {
            throw new Refusal("{$item->title()} has nothing open any more. Load the page again.");
        }
        if ($item->side === Side::Debit) {
            throw new Refusal("{$item->title()} is in {$code}, another debit in {$currency->code}. Settle the debits of one currency at a time.");
        }
        if (trim($request->worth[$item->id] ?? '') === '') {
            throw new Refusal("{$item->title()} is in {$code}, what it is to settle in {$currency->code}. Say beside it what {$item->open->grouped()} {$code} is worth in {$currency->code}, by the bank's or an agreed rate.");
        }
        $worth = TypedAmount::read($request->worth[$item->id], $currency);

        return $worth->minor > 0 ? $item->countedAs($worth) : throw new Refusal("{$item->title()}: an amount above zero is expected for what it is worth.");
    }

    /**
     * Brings a credit to where it settles, if it is not there: of a deposit what is used, of other money all, of which the rest stays loose.
     *
     * @return array{?Voucher, int} the voucher, and the item that takes part in the match
     */
    private function bring(Recorder $record, int $settlementId, string $date, OpenItem $item, Money $worth, Money $amount, Account $control, Customer $customer): array
    {
        return match (true) {
            $this->isDeposit($item) => $this->takeOver->ofDeposit($record, $settlementId, $date, $item, $amount, $control, $customer),
            $item->open->currency->code !== $worth->currency->code => $this->takeOver->intoCurrency($record, $settlementId, $date, $item, $worth, $control, $customer),
            default => [null, $item->id],
        };
    }

    private function isDeposit(OpenItem $item): bool
    {
        return $item->side === Side::Credit && $this->settings->accounts()->withId($item->controlAccountId)->role === AccountRole::CustomerDeposits;
    }

    /**
     * A discount is measured by the day of the money, never by the day of the match (R4).
     *
     * @param array<int, OpenItem> $items
     */
    private function valueDate(array $items, MatchRequest $request): string
    {
        $credits = array_map($this->proposals->valueDate(...), array_filter($items, static fn (OpenItem $item): bool => $item->side === Side::Credit));

        return $credits !== [] ? max($credits) : $request->date ?? $this->settings->period()->last;
    }

    /** @param  non-empty-list<Tick>  $ticks */
    private function document(array $ticks): string
    {
        foreach ($ticks as $tick) {
            if ($tick->item->side === Side::Debit) {
                return $tick->item->document;
            }
        }

        return $ticks[0]->item->document;
    }
}
