<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Brought;
use Ajuste\Core\Settlement\Converted;
use Ajuste\Core\Settlement\Deduction;
use Ajuste\Core\Settlement\Matching;
use Ajuste\Core\Settlement\ReceiptSettlement;
use Ajuste\Core\Settlement\SettlementFrame;
use Ajuste\Core\Settlement\SettlementPlan;
use Ajuste\Core\Settlement\TakenDiscounts;
use Ajuste\Core\Settlement\TakenOver;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Settlement\Ticked;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\Posting\PostPlan;
use App\Queries\Customers;
use App\Queries\DepositShares;
use App\Queries\DiscountOffers;
use App\Queries\Positions;
use App\Queries\RequestedReductions;
use App\Queries\Settings;
use App\Values\DeductionEntry;
use App\Values\MatchRequest;
use App\Values\Rehearsal;

/**
 * Settles a customer's open items with each other, as one: deposits are taken over and credits in other money converted, discounts and
 * deductions come off, and then it is matched (R3).
 */
final readonly class SettleItems
{
    public function __construct(
        private Settings $settings,
        private Positions $positions,
        private Customers $customers,
        private DiscountOffers $offers,
        private DepositShares $shares,
        private RequestedReductions $reductions,
        private PostPlan $posting,
    ) {}

    public function rehearse(MatchRequest $request, Account $control): Rehearsal
    {
        if ($request->takes === []) {
            return Rehearsal::nothing();
        }
        $ticked = $shares = null;
        try {
            $work = $this->work($request, $control);
            [$ticked, $shares] = [$work->ticked, $work->shares];

            return Rehearsal::of($work->plan(), $ticked->ticks, $shares);
        } catch (Refusal $refusal) {
            return Rehearsal::refused($refusal->getMessage(), $refusal->kind, $ticked->ticks ?? [], $shares);
        }
    }

    /**
     * @param string $seen digest of the rehearsal that the person saw; blank: whatever the plan is now
     * @return int the settlement's number
     *
     * @throws Refusal when it cannot be posted, or would no longer be what was seen
     */
    public function post(string $key, MatchRequest $request, Account $control, string $seen = ''): int
    {
        return $this->posting->post($key, fn () => $this->work($request, $control)->plan(), $seen);
    }

    /**
     * What each item takes, from the books as they are.
     *
     * @throws Refusal when what is asked for does not fit
     */
    private function work(MatchRequest $request, Account $control): SettlementWork
    {
        $asIs = $this->items($request);
        $currency = self::currency($asIs);
        $brought = $this->brought($asIs, $request, $control, $currency);
        $items = array_map(
            static fn (OpenItem $item): OpenItem => isset($brought[$item->id]) ? $brought[$item->id]->asSettled() : $item,
            $asIs,
        );
        $deductions = $this->reductions->deductions($request->less, $items + $this->named($request));
        $takes = $this->takes($request, $items);
        $discounts = $this->discounts($request, $items, $takes, $deductions);
        foreach ($discounts->ticks as $tick) {
            if (isset($takes[$tick->item->id])) {
                $takes[$tick->item->id] = $tick->amount;
            }
        }
        $deducted = array_map(static fn (Deduction $of): Money => $of->amount, $deductions);
        $off = Money::sum([...$discounts->discounts, ...$deducted], $currency);
        $matching = new Matching($this->settings->accounts(), $this->settings->locked());
        $ticks = $matching->fill(array_values($items), $takes, $off->minor);
        $ticked = new Ticked($ticks, $discounts->discounts, $deductions, $request->less->lines, $request->less->instalments);
        $shares = ReceiptSettlement::of(Money::zero($currency), $ticked, null);
        $used = array_values(array_intersect_key($asIs, $shares->takes));
        $date = $request->date ?? $matching->earliestDate($used !== [] ? $used : array_values($asIs));
        $frame = new SettlementFrame($this->customers->find($request->customerId), $control, $date, $date, $ticked->firstDocument());
        $rule = new SettlementPlan($this->settings->accounts(), $this->settings->locked(), $this->reductions->relief($asIs));

        return new SettlementWork($rule, $frame, $ticked, $shares, $brought);
    }

    /**
     * @return non-empty-array<int, OpenItem> by id, in the order in which they were ticked
     *
     * @throws Refusal when nothing is ticked, or an item is not there or another customer's
     */
    private function items(MatchRequest $request): array
    {
        $items = $this->positions->several(array_keys($request->takes), $request->date);
        foreach (array_keys($request->takes) as $id) {
            $item = $items[$id] ?? throw Refusal::notFound('One of the items does not exist any more. Load the page again.');
            if ($item->head->account->customerId !== $request->customerId) {
                throw new Refusal("{$item->document} belongs to another customer. Load the page again.");
            }
        }

        return $items !== [] ? $items : throw new Refusal('Nothing is ticked. Tick at least one debit and one credit.');
    }

    /**
     * Amounts that stand: those that were typed, and of what a discount, a deduction, single lines or an instalment concern
     * what is meant of it.
     *
     * @param array<int, OpenItem> $items
     * @return array<int, Money> by item id
     */
    private function takes(MatchRequest $request, array $items): array
    {
        $takes = array_filter($request->takes, static fn (?Money $amount): bool => $amount !== null);
        $less = $request->less;
        $concerned = [
            ...$less->discounts,
            ...array_keys($less->lines),
            ...array_keys($less->instalments),
            ...array_map(static fn (DeductionEntry $entry): int => $entry->itemId, $less->deductions),
        ];
        foreach ($concerned as $id) {
            if (isset($items[$id])) {
                $takes[$id] = $this->reductions->meant($items[$id], $takes[$id] ?? null, $less);
            }
        }

        return $takes;
    }

    /**
     * @param non-empty-array<int, OpenItem> $items
     * @param array<int, Money> $takes
     * @param list<Deduction> $deductions
     */
    private function discounts(MatchRequest $request, array $items, array $takes, array $deductions): TakenDiscounts
    {
        $ticks = array_map(static fn (OpenItem $item): Tick => new Tick($item, $takes[$item->id] ?? $item->takeable), array_values($items));
        $credits = array_values(array_filter($ticks, static fn (Tick $tick): bool => ! $tick->item->isDebit()));
        $dates = $this->offers->valueDates(array_map(static fn (Tick $tick): OpenItem => $tick->item, $credits));
        $blank = array_keys(array_filter($request->takes, static fn (?Money $amount): bool => $amount === null));
        $accepted = (new Ticked($ticks, deductions: $deductions))->accepted();

        return TakenDiscounts::of(
            $ticks,
            $this->reductions->offers($request->less, $items),
            SettlementPlan::money($credits, $dates),
            $accepted,
            $request->date ?? $this->settings->period()->last,
            $blank,
        );
    }

    /**
     * Credits that stand elsewhere than what they settle.
     *
     * @param array<int, OpenItem> $items
     * @return array<int, Brought> by item id
     *
     * @throws Refusal when one cannot be brought there, or a debit does not belong
     */
    private function brought(array $items, MatchRequest $request, Account $control, Currency $currency): array
    {
        $brought = [];
        foreach ($items as $id => $item) {
            $code = $item->takeable->currency->code;
            $account = $this->settings->accounts()->withId($item->head->account->controlAccountId);
            if (! $item->isDebit() && $account->role === AccountRole::CustomerDeposits) {
                if ($code !== $currency->code) {
                    throw new Refusal(
                        "{$item->title()} is in {$code}, what it is to settle in {$currency->code}. A deposit settles an invoice in its "
                            .'own currency.',
                    );
                }
                $brought[$id] = new TakenOver($item, $this->shares->of($item), $account, $this->settings->accounts());
            } elseif ($account->id !== $control->id) {
                throw new Refusal("{$item->title()} stands on another control account. A match stays within one control account.");
            } elseif ($code !== $currency->code) {
                $brought[$id] = new Converted($item, $this->worth($item, $request, $currency), $this->settings->accounts());
            }
        }

        return $brought;
    }

    private function worth(OpenItem $item, MatchRequest $request, Currency $currency): Money
    {
        $code = $item->takeable->currency->code;
        if ($item->takeable->isZero()) {
            throw Refusal::changed("{$item->title()} has nothing open any more. Load the page again.");
        }
        if ($item->isDebit()) {
            throw new Refusal(
                "{$item->title()} is in {$code}, another debit in {$currency->code}. Settle the debits of one currency at a time.",
            );
        }
        $worth = $request->worth[$item->id] ?? null;
        if ($worth === null) {
            $says = "what {$item->takeable->grouped()} {$code} is worth in {$currency->code}, by the bank's or an agreed rate";
            throw new Refusal("{$item->title()} is in {$code}, what it is to settle in {$currency->code}. Say beside it {$says}.");
        }

        return $worth->isPositive() && $worth->isIn($currency)
            ? $worth
            : throw new Refusal("{$item->title()}: an amount above zero in {$currency->code} is expected for what it is worth.");
    }

    /**
     * Items that a deduction names, ticked or not.
     *
     * @return array<int, OpenItem>
     */
    private function named(MatchRequest $request): array
    {
        $ids = array_map(static fn (DeductionEntry $entry): int => $entry->itemId, $request->less->deductions);

        return $this->positions->several(array_values(array_filter($ids)), $request->date);
    }

    /**
     * That of the debits; where only credits are ticked, the first one's.
     *
     * @param non-empty-array<int, OpenItem> $items
     */
    private static function currency(array $items): Currency
    {
        $debits = array_values(array_filter($items, static fn (OpenItem $item): bool => $item->isDebit()));

        return ($debits[0] ?? $items[array_key_first($items)])->amount->currency;
    }
}
