<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;

/**
 * How a receipt is used up: what each item takes, what is contested, what becomes a deposit, and what is still to be explained (R3, R5). To the
 * minor unit: debits settled = receipt used + credits used + discounts + accepted deductions. All amounts are in the receipt's currency. Where only
 * items that are open already settle each other, the receipt is nil.
 */
final readonly class ReceiptSettlement
{
    /**
     * @param array<int, Money> $takes what each ticked item takes or gives, positive, by item id
     * @param list<Deduction> $contested each with the invoice that stays open for it
     * @param Money $used of the receipt, by items
     * @param Money $deposit of the receipt, for something not invoiced yet
     * @param Money $unapplied of the receipt, staying loose
     * @param Money $toExplain nil when it can be posted; above zero the customer paid less than was ticked, below zero more
     */
    private function __construct(
        public array $takes, public array $contested, public Money $used, public Money $deposit, public Money $unapplied, public Money $toExplain,
    ) {}

    /**
     * @param Money $receipt what comes off the customer: what the bank credited and what was kept back of it on the way
     * @param list<Tick> $ticks what each item is to take or give, deductions and discounts included
     * @param array<int, Money> $discounts by item id
     * @param list<Deduction> $deductions
     * @param ?RestPlace $place of what is left over; null: none yet
     *
     * @throws Refusal when a deduction names no invoice where its reason needs one, contests more than its invoice takes, or the credits
     *                 ticked are more than the debits while the surplus has a place
     */
    public static function of(Money $receipt, array $ticks, array $discounts, array $deductions, ?RestPlace $place): self
    {
        $zero = Money::zero($receipt->currency);
        /** @var array<int, Money> $takes */
        $takes = [];
        $debits = $credits = $zero;
        foreach ($ticks as $tick) {
            $takes[$tick->item->id] = $tick->amount;
            [$debits, $credits] = $tick->item->side === Side::Debit ? [$debits->plus($tick->amount), $credits] : [$debits, $credits->plus($tick->amount)];
        }
        $relief = array_reduce($discounts, static fn (Money $sum, Money $discount): Money => $sum->plus($discount), $zero);
        $contested = [];
        foreach ($deductions as $deduction) {
            self::refuseUnfit($deduction, $takes);
            if (! $deduction->reason->isContested()) {
                $relief = $relief->plus($deduction->amount);

                continue;
            }
            $invoice = $deduction->invoice ?? self::oldest($ticks) ?? throw new Refusal("“{$deduction->reason->words}” is contested: the amount stays open on an invoice. Tick the invoice that it concerns.");
            $left = ($takes[$invoice->id] ?? $zero)->minus($deduction->amount);
            if ($left->minor < 0) {
                throw new Refusal("{$invoice->title()}: {$deduction->amount->grouped()} is contested, more than the {$takes[$invoice->id]->grouped()} that it takes.");
            }
            $takes[$invoice->id] = $left;
            $debits = $debits->minus($deduction->amount);
            $contested[] = new Deduction($deduction->reason, $invoice, $deduction->amount);
        }
        $rest = $debits->minus($credits)->minus($relief)->minus($receipt);
        if ($rest->minor > 0 && $place === RestPlace::StaysOpen) {
            $takes = self::lessFromTheLast($ticks, $takes, $rest->minor);
            $rest = $zero;
        }
        $surplus = $rest->minor < 0 ? $rest->negated() : $zero;
        if ($place !== null && $surplus->minor > $receipt->minor) {
            throw new Refusal("Credits, discounts and deductions are {$surplus->minus($receipt)->grouped()} more than the debits that they settle. Tick more debits or take less.");
        }
        $deposit = $place === RestPlace::Deposit ? $surplus : $zero;
        $unapplied = $place === RestPlace::Unapplied ? $surplus : $zero;

        return new self(
            array_filter($takes, static fn (Money $amount): bool => ! $amount->isZero()), $contested, $receipt->minus($surplus), $deposit, $unapplied,
            $rest->minor < 0 && $place?->takesSurplus() === true ? $zero : $rest,
        );
    }

    /** @param  array<int, Money>  $takes */
    private static function refuseUnfit(Deduction $deduction, array $takes): void
    {
        if ($deduction->amount->minor <= 0) {
            throw new Refusal("“{$deduction->reason->words}”: an amount above zero is expected.");
        }
        if ($deduction->reason->namesInvoice && $deduction->invoice === null) {
            throw new Refusal("“{$deduction->reason->words}” concerns an invoice. Choose which one.");
        }
        if ($deduction->invoice !== null && ! isset($takes[$deduction->invoice->id])) {
            throw new Refusal("“{$deduction->reason->words}” names {$deduction->invoice->title()}, which is not ticked. Tick it, or choose another one.");
        }
    }

    /** @param  list<Tick>  $ticks */
    private static function oldest(array $ticks): ?OpenItem
    {
        $debits = array_values(array_filter(array_map(static fn (Tick $tick): OpenItem => $tick->item, $ticks), static fn (OpenItem $item): bool => $item->side === Side::Debit));
        usort($debits, static fn (OpenItem $one, OpenItem $other): int => [$one->dueDate, $one->document, $one->id] <=> [$other->dueDate, $other->document, $other->id]);

        return $debits[0] ?? null;
    }

    /**
     * @param list<Tick> $ticks
     * @param array<int, Money> $takes
     * @return array<int, Money>
     */
    private static function lessFromTheLast(array $ticks, array $takes, int $less): array
    {
        foreach (array_reverse($ticks) as $tick) {
            if ($tick->item->side === Side::Debit) {
                $off = min($less, $takes[$tick->item->id]->minor);
                $takes[$tick->item->id] = Money::ofMinor($takes[$tick->item->id]->minor - $off, $tick->amount->currency);
                $less -= $off;
            }
        }

        return $takes;
    }
}
