<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;

/**
 * Discounts taken and deductions accepted, each with its voucher and item (R2). One that concerns an invoice only takes that down: it
 * carries the base that it takes off, so that nothing is realised by it (R9).
 */
final class Reductions
{
    /** @var array<int, OpenItem> debits as the reductions so far leave them, by id */
    private array $debits = [];

    /** @var array<int, Money> what the settlement takes of each debit and no reduction has used, by id */
    private array $room = [];

    /** @var list<Reserved> */
    private array $reserved = [];

    public function __construct(
        private readonly PlanBuilder $plan,
        private readonly int $settlement,
        private readonly ChartOfAccounts $accounts,
        private readonly Relief $relief,
        private readonly Account $control,
        private readonly Customer $customer,
    ) {}

    /**
     * @param string $date of the vouchers
     * @param string $document of deductions that concern no invoice
     * @param array<int, Money> $takes what each item takes, by id
     * @return list<Reserved> each with the credit that it made
     *
     * @throws Refusal when they come to more than the debits take
     */
    public function add(Ticked $ticked, array $takes, string $date, string $document): array
    {
        foreach ($ticked->items() as $item) {
            if ($item->isDebit() && isset($takes[$item->id])) {
                $this->debits[$item->id] = $this->plan->asLeft($item);
                $this->room[$item->id] = $takes[$item->id];
            }
        }
        foreach ($ticked->ticks as $tick) {
            $discount = $ticked->discounts[$tick->item->id] ?? null;
            if ($discount !== null) {
                $this->discount($tick->item, $discount, $date);
            }
        }
        $accepted = $ticked->accepted();
        usort($accepted, static fn (Deduction $one, Deduction $other): int => ($one->invoice === null) <=> ($other->invoice === null));
        foreach ($accepted as $deduction) {
            $this->deduction($deduction, $date, $document);
        }

        return $this->reserved;
    }

    private function discount(OpenItem $invoice, Money $discount, string $date): void
    {
        $parts = $this->parts($invoice, $discount);
        $base = self::base($parts);
        $worth = new Worth($base, $discount, $this->relief->ofDiscount($invoice, $base));
        $voucher = (new EventVouchers($this->accounts))->discount($this->head($date, $invoice->document), $this->control, $worth);
        $this->credit($voucher, $this->creditHead($invoice->document, Kind::Discount, $date, $invoice->document), $worth, $parts);
    }

    private function deduction(Deduction $deduction, string $date, string $document): void
    {
        $reason = $deduction->reason;
        assert($reason->account !== null);
        $parts = $this->parts($deduction->invoice, $deduction->amount);
        $base = self::base($parts);
        $of = $deduction->invoice->document ?? $document;
        $worth = new Worth($base, $deduction->amount, $this->relief->ofDeduction($deduction, $base));
        $voucher = (new EventVouchers($this->accounts))->deduction(
            $this->head($date, $of),
            $reason->account,
            $this->control,
            $worth,
            $reason->words,
        );
        $this->credit($voucher, $this->creditHead($of, Kind::Deduction, $date, $reason->code), $worth, $parts);
    }

    /**
     * The debits that it takes down, and what of each: the invoice's own, else from the last one ticked backwards.
     *
     * @return non-empty-list<Tick>
     *
     * @throws Refusal when the debits do not take so much
     */
    private function parts(?OpenItem $invoice, Money $amount): array
    {
        $parts = [];
        $left = $amount;
        foreach ($invoice === null ? array_reverse(array_keys($this->room)) : [$invoice->id] as $id) {
            $part = isset($this->room[$id]) ? Money::least($left, $this->room[$id]) : Money::zero($left->currency);
            if ($part->isPositive()) {
                $parts[] = new Tick($this->debits[$id], $part);
                $this->room[$id] = $this->room[$id]->minus($part);
                $this->debits[$id] = $this->debits[$id]->less($part, $this->debits[$id]->moves($part));
                $left = $left->minus($part);
            }
        }
        if (! $left->isZero() || $parts === []) {
            $what = $invoice === null ? 'what is ticked' : $invoice->title();
            throw new Refusal(
                "{$what}: {$amount->grouped()} {$amount->currency->code} comes off it, {$left->grouped()} more than it takes. Tick more "
                    .'of it, or take less off.',
            );
        }

        return $parts;
    }

    /**
     * The item that the reduction makes, reserved for the debits that it takes down.
     *
     * @param non-empty-list<Tick> $parts
     */
    private function credit(Voucher $voucher, ItemHead $head, Worth $worth, array $parts): void
    {
        $item = $this->plan->newItem($head, $worth->original, $worth->base, $this->plan->voucher($voucher, $this->settlement));
        foreach ($parts as $part) {
            $this->reserved[] = new Reserved($part->item, $item, $part->amount);
        }
    }

    private function creditHead(string $document, Kind $kind, string $date, string $reference): ItemHead
    {
        return ItemHead::credit($document, $kind, $this->customer->on($this->control->id), $date, $reference);
    }

    private function head(string $date, string $document): VoucherHead
    {
        return new VoucherHead($date, $document, $this->customer->number);
    }

    /**
     * What the parts move off their debits, base currency.
     *
     * @param non-empty-list<Tick> $parts
     */
    private static function base(array $parts): Money
    {
        return Money::sum(
            array_map(static fn (Tick $part): Money => $part->item->moves($part->amount), $parts),
            $parts[0]->item->base->currency,
        );
    }
}
