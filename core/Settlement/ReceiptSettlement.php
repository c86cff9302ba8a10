<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\OpenItem;

/**
 * How a receipt is used up: what each item takes, what is contested, what becomes a deposit, and what is still to be explained (R3,
 * R5). To the minor unit: debits settled = receipt used + credits used + discounts + accepted deductions. All amounts are in the
 * receipt's currency. Where only items that are open already settle each other, the receipt is nil.
 */
final readonly class ReceiptSettlement
{
    /**
     * @param Money $receipt what comes off the customer
     * @param array<int, Money> $takes what each ticked item takes or gives, positive, by item id
     * @param list<Deduction> $contested each with the invoice that stays open for it
     * @param Money $used of the receipt, by items
     * @param Money $deposit of the receipt, for something not invoiced yet
     * @param Money $unapplied of the receipt
     * @param Money $toExplain nil when it can be posted; above zero the customer paid less than was ticked, below zero more
     */
    private function __construct(
        public Money $receipt,
        public array $takes,
        public array $contested,
        public Money $used,
        public Money $deposit,
        public Money $unapplied,
        public Money $toExplain,
    ) {}

    /**
     * @param Money $receipt what comes off the customer: what the bank credited and the charges that were deducted on the way
     * @param ?RestPlace $place of what is left over; null: none yet
     *
     * @throws Refusal when more is ticked than is open, a deduction names no invoice where its reason needs one or contests more than its
     *                 invoice takes, or the credits ticked are more than the debits while the surplus has a place
     */
    public static function of(Money $receipt, Ticked $ticked, ?RestPlace $place): self
    {
        $zero = Money::zero($receipt->currency);
        /** @var array<int, Money> $takes */
        $takes = [];
        foreach ($ticked->ticks as $tick) {
            $tick->refuseMoreThanOpen();
            $takes[$tick->item->id] = $tick->amount;
        }
        foreach ($ticked->deductions as $deduction) {
            self::refuseUnfit($deduction, $takes);
        }
        [$takes, $contested] = self::contest($ticked, $takes);
        $rest = self::rest($receipt, $ticked, $takes);
        if ($rest->isPositive() && $place === RestPlace::StaysOpen) {
            $takes = self::lessFromTheLast($ticked->ticks, $takes, $rest);
            $rest = $zero;
        }
        $surplus = $rest->isNegative() ? $rest->negated() : $zero;
        if ($place !== null && $surplus->isMoreThan($receipt)) {
            $more = $surplus->minus($receipt)->grouped();
            throw new Refusal(
                "Credits, discounts and deductions are {$more} more than the debits that they settle. Tick more debits or take less.",
            );
        }

        return new self(
            $receipt,
            array_filter($takes, static fn (Money $amount): bool => ! $amount->isZero()),
            $contested,
            $receipt->minus($surplus),
            $place === RestPlace::Deposit ? $surplus : $zero,
            $place === RestPlace::Unapplied ? $surplus : $zero,
            $rest->isNegative() && $place?->takesSurplus() === true ? $zero : $rest,
        );
    }

    /**
     * Contested amounts stay open: on the invoice that they name, else on the oldest debit.
     *
     * @param array<int, Money> $takes
     * @return array{array<int, Money>, list<Deduction>}
     */
    private static function contest(Ticked $ticked, array $takes): array
    {
        $contested = [];
        foreach ($ticked->deductions as $deduction) {
            if (! $deduction->reason->isContested()) {
                continue;
            }
            $invoice =
                $deduction->invoice ??
                (self::oldest($ticked) ??
                    throw new Refusal(
                        "“{$deduction->reason->words}” is contested: the amount stays open on an invoice. Tick the invoice that it "
                            .'concerns.',
                    ));
            if ($deduction->amount->isMoreThan($takes[$invoice->id])) {
                $more = "more than the {$takes[$invoice->id]->grouped()} that it takes";
                throw new Refusal("{$invoice->title()}: {$deduction->amount->grouped()} is contested, {$more}.");
            }
            $takes[$invoice->id] = $takes[$invoice->id]->minus($deduction->amount);
            $contested[] = new Deduction($deduction->reason, $invoice, $deduction->amount);
        }

        return [$takes, $contested];
    }

    /**
     * Debits less all that settles them: above zero something is missing.
     *
     * @param array<int, Money> $takes
     */
    private static function rest(Money $receipt, Ticked $ticked, array $takes): Money
    {
        $rest = $receipt->negated();
        foreach ($ticked->items() as $item) {
            $rest = $rest->plus($item->signed($takes[$item->id]));
        }
        foreach ($ticked->discounts as $discount) {
            $rest = $rest->minus($discount);
        }
        foreach ($ticked->accepted() as $deduction) {
            $rest = $rest->minus($deduction->amount);
        }

        return $rest;
    }

    /** @param  array<int, Money>  $takes */
    private static function refuseUnfit(Deduction $deduction, array $takes): void
    {
        if (! $deduction->amount->isPositive()) {
            throw new Refusal("“{$deduction->reason->words}”: an amount above zero is expected.");
        }
        if ($deduction->reason->namesInvoice && $deduction->invoice === null) {
            throw new Refusal("“{$deduction->reason->words}” concerns an invoice. Choose which one.");
        }
        if ($deduction->invoice !== null && ! isset($takes[$deduction->invoice->id])) {
            throw new Refusal(
                "“{$deduction->reason->words}” names {$deduction->invoice->title()}, which is not ticked. Tick it, or choose another "
                    .'one.',
            );
        }
    }

    private static function oldest(Ticked $ticked): ?OpenItem
    {
        $debits = array_values(array_filter($ticked->items(), static fn (OpenItem $item): bool => $item->isDebit()));
        usort($debits, OpenItem::byAge(...));

        return $debits[0] ?? null;
    }

    /**
     * @param list<Tick> $ticks
     * @param array<int, Money> $takes
     * @return array<int, Money>
     */
    private static function lessFromTheLast(array $ticks, array $takes, Money $less): array
    {
        foreach (array_reverse($ticks) as $tick) {
            if ($tick->item->isDebit()) {
                $off = Money::least($less, $takes[$tick->item->id]);
                $takes[$tick->item->id] = $takes[$tick->item->id]->minus($off);
                $less = $less->minus($off);
            }
        }

        return $takes;
    }
}
