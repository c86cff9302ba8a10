<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\DatedMoney;
use Ajuste\Core\Settlement\Deduction;
use Ajuste\Core\Settlement\Receipt;
use Ajuste\Core\Settlement\ReceiptPlan;
use Ajuste\Core\Settlement\ReceiptSettlement;
use Ajuste\Core\Settlement\ReceivedMoney;
use Ajuste\Core\Settlement\RestPlace;
use Ajuste\Core\Settlement\SettlementPlan;
use Ajuste\Core\Settlement\TakenDiscounts;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Settlement\Ticked;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\Posting\PostPlan;
use App\Queries\Customers;
use App\Queries\DiscountOffers;
use App\Queries\Positions;
use App\Queries\Rates;
use App\Queries\RequestedReductions;
use App\Queries\Settings;
use App\Queries\StatementLine;
use App\Queries\StatementLines;
use App\Values\ReceiptRequest;
use App\Values\Rehearsal;
use Illuminate\Support\Facades\DB;

/**
 * Makes a statement line a receipt of a customer: the receipt or deposit with its voucher, discounts and deductions with theirs, and the
 * match.
 */
final readonly class PlaceReceipt
{
    public function __construct(
        private Settings $settings,
        private StatementLines $lines,
        private Customers $customers,
        private Positions $positions,
        private Rates $rates,
        private DiscountOffers $offers,
        private RequestedReductions $reductions,
        private PostPlan $posting,
    ) {}

    public function rehearse(ReceiptRequest $request, Account $control): Rehearsal
    {
        $receipt = null;
        try {
            $receipt = $this->receipt($request, $control);

            return Rehearsal::of($this->plans($receipt)->single($receipt), self::shown($receipt), $receipt->settlement);
        } catch (Refusal $refusal) {
            return Rehearsal::refused(
                $refusal->getMessage(),
                $refusal->kind,
                $receipt === null ? [] : self::shown($receipt),
                $receipt?->settlement,
            );
        }
    }

    /**
     * @param string $seen digest of the rehearsal that the person saw; blank: whatever the plan is now
     *
     * @throws Refusal when it cannot be posted, or would no longer be what was seen
     */
    public function post(string $key, ReceiptRequest $request, Account $control, string $seen = ''): void
    {
        $this->posting->post(
            $key,
            function () use ($request, $control): PostingPlan {
                if ($this->lines->find($request->lineId)->origin->batchId !== null) {
                    throw new Refusal('This receipt belongs to a batch and is posted with it. Keep what it settles as a draft.');
                }
                $receipt = $this->receipt($request, $control);

                return $this->plans($receipt)->single($receipt);
            },
            $seen,
        );
    }

    /** The rule that plans a receipt, with the tax that comes off along with what it settles. */
    public function plans(Receipt ...$receipts): ReceiptPlan
    {
        $items = array_merge(...array_map(static fn (Receipt $receipt): array => $receipt->ticked->items(), array_values($receipts)));

        return new ReceiptPlan($this->settings->accounts(), $this->settings->locked(), $this->reductions->relief($items));
    }

    /**
     * What placing the line comes to, from the books as they are.
     *
     * @param callable(OpenItem): OpenItem $asLeft what others of the same batch leave of an item; null: it is alone
     *
     * @throws Refusal when what is asked for does not fit
     */
    public function receipt(ReceiptRequest $request, Account $control, ?callable $asLeft = null): Receipt
    {
        $line = $this->lines->find($request->lineId);
        $line->refuseQuestion();
        if (! $line->amount->isPositive()) {
            throw new Refusal('Money went out with this line; only money that came in is a receipt.');
        }
        $customer = $this->customers->find($request->customerId, 'Choose the customer whose money it is.');
        $this->settings->locked()->refuse($line->dates->booking, 'The receipt');
        $charges = $this->charges($request, $line);
        $original = $this->original($request, $line->amount->plus($charges));
        $items = array_map($asLeft ?? static fn (OpenItem $item): OpenItem => $item, $this->items($request, $control));
        $ticks = $this->ticks($request, $items, $original);
        $named = $items + $this->positions->several(array_values(array_filter(array_column($request->less->deductions, 'itemId'))));
        $deductions = $this->reductions->deductions($request->less, $named);
        $discounts = $this->discounts($request, $ticks, $deductions, new DatedMoney($original, $line->dates->value));
        $ticked = new Ticked($discounts->ticks, $discounts->discounts, $deductions, $request->less->lines, $request->less->instalments);
        $settlement = ReceiptSettlement::of($original, $ticked, $request->rest);

        return new Receipt(
            $this->money($line, $charges),
            $customer,
            $control,
            $settlement->deposit->isZero() ? $control : $this->deposits(),
            $this->document($line),
            $ticked,
            $settlement,
            $request->depositTax,
        );
    }

    /**
     * The line as the core places it.
     *
     * @param Money $charges that a bank deducted, in the line's currency
     */
    public function money(StatementLine $line, Money $charges): ReceivedMoney
    {
        $credited = $this->rates->toBase($line->amount, $line->dates->booking);
        $deducted = $charges->isZero()
            ? Money::zero($credited->currency)
            : $this->rates->toBase($line->amount->plus($charges), $line->dates->booking)->minus($credited);

        return $line->received($this->settings->accounts()->withId($line->accountId), $credited, $deducted);
    }

    private function deposits(): Account
    {
        return $this->settings->accounts()->withRole(AccountRole::CustomerDeposits);
    }

    /**
     * @return array<int, OpenItem> by id, in the order in which they were ticked
     *
     * @throws Refusal when one is not open any more, or not the customer's
     */
    private function items(ReceiptRequest $request, Account $control): array
    {
        $items = $this->positions->several(array_keys($request->takes));
        foreach (array_keys($request->takes) as $id) {
            $account = ($items[$id] ?? null)?->head->account;
            if ($account?->customerId !== $request->customerId || $account->controlAccountId !== $control->id) {
                throw Refusal::changed('One of the items that are ticked is not open any more. Load the page again.');
            }
        }

        return $items;
    }

    /**
     * @param array<int, OpenItem> $items
     * @return list<Tick>
     */
    private function ticks(ReceiptRequest $request, array $items, Money $original): array
    {
        $ticks = [];
        foreach ($items as $id => $item) {
            $code = $item->amount->currency->code;
            if (! $item->amount->isIn($original->currency)) {
                $says = "Say above what the receipt is worth in {$code}";
                throw new Refusal("{$item->title()} is in {$code}, the receipt in {$original->currency->code}. {$says}.");
            }
            if ($item->takeable->isZero()) {
                throw Refusal::changed("{$item->title()} has nothing open any more. Take the tick off.");
            }
            $ticks[] = new Tick($item, $this->reductions->meant($item, $request->takes[$id] ?? null, $request->less));
        }

        return $ticks;
    }

    /**
     * The discounts by the bank's value date; a part that stays open takes none beyond what was paid.
     *
     * @param list<Tick> $ticks
     * @param list<Deduction> $deductions
     */
    private function discounts(ReceiptRequest $request, array $ticks, array $deductions, DatedMoney $received): TakenDiscounts
    {
        $items = array_column(array_map(static fn (Tick $tick): array => [$tick->item->id, $tick->item], $ticks), 1, 0);
        $offers = $this->reductions->offers($request->less, $items);
        $credits = array_values(array_filter($ticks, static fn (Tick $tick): bool => ! $tick->item->isDebit()));
        $dates = $offers === [] ? [] : $this->offers->valueDates(array_map(static fn (Tick $tick): OpenItem => $tick->item, $credits));
        $blank = array_keys(array_filter($request->takes, static fn (?Money $amount): bool => $amount === null));

        return TakenDiscounts::of(
            $ticks,
            $offers,
            [$received, ...SettlementPlan::money($credits, $dates)],
            (new Ticked($ticks, deductions: $deductions))->accepted(),
            $received->valueDate,
            $request->rest === RestPlace::StaysOpen ? $blank : [],
        );
    }

    /** Charges that the bank's line tells of, and those that a person says were deducted on the way. */
    private function charges(ReceiptRequest $request, StatementLine $line): Money
    {
        if ($request->charges === null) {
            return $line->charges;
        }
        $limit = $this->settings->on($line->dates->booking)->money(Setting::BankChargesLimit);
        if ($this->rates->toBase($request->charges, $line->dates->booking)->isMoreThan($limit)) {
            $typed = "{$request->charges->grouped()} {$request->charges->currency->code}";
            $most = "{$limit->grouped()} {$limit->currency->code} (bank_charges_limit)";
            throw new Refusal(
                "{$typed} is more than banks may deduct by the policy, {$most}. Give it a reason as a deduction, or let it stay open.",
            );
        }

        return $line->charges->plus($request->charges);
    }

    /**
     * What comes off the customer, in the currency of the invoices: the line's own, or at what the bank or an agreement makes of it (R3).
     */
    private function original(ReceiptRequest $request, Money $received): Money
    {
        $worth = $request->worth;
        if ($worth === null || $worth->isIn($received->currency)) {
            return $received;
        }
        $says = "Say what {$received->grouped()} {$received->currency->code} is in {$worth->currency->code}";

        return $worth->isPositive()
            ? $worth
            : throw new Refusal("{$says}, by the bank's or an agreed rate; an amount above zero is expected.");
    }

    private function document(StatementLine $line): string
    {
        $wanted = $line->reference !== '' ? mb_strimwidth($line->reference, 0, 60) : "M{$line->id}";

        return DB::table('items')->where('document', $wanted)->exists() ? "M{$line->id}" : $wanted;
    }

    /** @return list<Tick> what each item takes in the end, contested amounts and what stays open left out */
    private static function shown(Receipt $receipt): array
    {
        return array_map(
            static fn (Tick $tick): Tick => new Tick(
                $tick->item,
                $receipt->settlement->takes[$tick->item->id] ?? Money::zero($tick->amount->currency),
            ),
            $receipt->ticked->ticks,
        );
    }
}
