<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\DepositTaxBooked;
use Ajuste\Core\Posting\Fact\PayerRemembered;
use Ajuste\Core\Posting\Fact\StatementLinePlaced;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;

/**
 * What placing money with a customer writes: the receipt or deposit with its voucher, discounts and deductions with theirs, and the match
 * (R2 to R5).
 */
final readonly class ReceiptPlan
{
    /** At most so much of what the payer wrote is kept with the item. */
    private const REMITTANCE = 380;

    private EventVouchers $vouchers;

    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked, private Relief $relief)
    {
        $this->vouchers = new EventVouchers($accounts);
    }

    /** @throws Refusal when it cannot be posted */
    public function single(Receipt $receipt): PostingPlan
    {
        $receipt->refuseUnexplained();
        $plan = new PlanBuilder();
        $text = ($receipt->split()->receipt->original->isZero() ? 'Deposit ' : 'Receipt ').$receipt->customer->name;
        $voucher = $this->vouchers->received(
            $receipt->head(),
            $receipt->money->account,
            $receipt->money->credited,
            $receipt->money->charges,
            $this->against($receipt),
            $text,
        );
        $this->add($plan, $receipt, $plan->voucher($voucher));

        return $plan->build(Subject::of(SubjectKind::StatementLine, $receipt->money->lineId));
    }

    /**
     * One sum on the money account for several receipts.
     *
     * @param non-empty-list<Receipt> $receipts
     */
    public function together(VoucherHead $head, Account $money, array $receipts): Voucher
    {
        $base = $receipts[0]->money->credited->currency;

        return $this->vouchers->received(
            $head,
            $money,
            Money::sum(array_map(static fn (Receipt $receipt): Money => $receipt->money->credited, $receipts), $base),
            Money::sum(array_map(static fn (Receipt $receipt): Money => $receipt->money->charges, $receipts), $base),
            array_merge(...array_map($this->against(...), $receipts)),
            "Batch {$head->document}",
        );
    }

    /** The voucher of one receipt of a batch that is posted one by one. */
    public function voucher(Receipt $receipt): Voucher
    {
        return $this->vouchers->received(
            $receipt->head(),
            $receipt->money->account,
            $receipt->money->credited,
            $receipt->money->charges,
            $this->against($receipt),
            "Receipt {$receipt->customer->name}",
        );
    }

    /**
     * All but the voucher that brought the money.
     *
     * @param int $voucher its place in the plan
     *
     * @throws Refusal when the receipt's day is locked, or it cannot be matched
     */
    public function add(PlanBuilder $plan, Receipt $receipt, int $voucher): void
    {
        $this->locked->refuse($receipt->money->bookingDate, 'The receipt');
        $split = $receipt->split();
        $item = $split->receipt->original->isZero()
            ? null
            : $plan->newItem(
                $this->itemHead($receipt, Kind::Receipt, $receipt->control),
                $split->receipt->original,
                $split->receipt->base,
                $voucher,
            );
        $held = $split->depositNet->isZero()
            ? null
            : $plan->newItem(
                $this->itemHead($receipt, Kind::Deposit, $receipt->deposits),
                $split->depositNet,
                $split->depositBase(),
                $voucher,
            );
        if ($held !== null && ! $split->deposit->tax->isZero()) {
            $plan->fact(new DepositTaxBooked($held->ref, $receipt->taxRate, $split->deposit->tax));
        }
        if ($receipt->ticked->ticks !== [] && $receipt->settlement->takes !== []) {
            $this->settle($plan, $receipt, $item);
        }
        $placed = $item ?? $held;
        $plan->fact(
            new StatementLinePlaced(
                $receipt->money->lineId,
                $receipt->money->says(),
                PlacementKind::Receipt,
                '',
                $placed?->ref,
                voucher: $voucher,
            ),
        );
        $payer = $receipt->money->payer;
        if ($payer->isNamed()) {
            $plan->fact(new PayerRemembered($payer->name, $payer->bankAccount, $receipt->customer->id));
        }
        $plan->trail('place receipt', Subject::of(SubjectKind::StatementLine, $receipt->money->lineId), '', [
            'document' => $receipt->document,
            'customer' => $receipt->customer->number,
            'amount' => $receipt->amount()->decimal(),
        ]);
    }

    private function settle(PlanBuilder $plan, Receipt $receipt, ?OpenItem $item): void
    {
        $items = $receipt->ticked->items();
        assert($items !== []);
        $date = max($receipt->money->bookingDate, (new Matching($this->accounts, $this->locked))->earliestDate($items));
        $settlement = $plan->settlement($receipt->customer->id, $date);
        $frame = new SettlementFrame($receipt->customer, $receipt->control, $date, $receipt->money->bookingDate, $receipt->document);
        $used = $receipt->settlement->used;
        $first = $item === null || $used->isZero() ? [] : [new Tick($item, $used)];
        (new Settling($this->accounts, $this->locked, $this->relief))->settle(
            $plan,
            $settlement,
            $frame,
            $receipt->ticked,
            $receipt->settlement,
            $first,
        );
    }

    private function itemHead(Receipt $receipt, Kind $kind, Account $account): ItemHead
    {
        $remittance = mb_strimwidth($receipt->money->payer->remittance, 0, self::REMITTANCE);

        return ItemHead::credit($receipt->document, $kind, $receipt->customer->on($account->id), $receipt->money->bookingDate, $remittance);
    }

    /** @return non-empty-list<VoucherLine> */
    private function against(Receipt $receipt): array
    {
        $split = $receipt->split();
        $text = "Receipt {$receipt->customer->name}";
        $lines = $split->receipt->original->isZero()
            ? []
            : [$this->vouchers->offCustomer($receipt->head(), $receipt->control, $split->receipt, $text)];
        if (! $split->deposit->original->isZero()) {
            $held = new Worth($split->deposit->base, $split->depositNet, $split->deposit->tax);
            array_push($lines, ...$this->vouchers->deposit($receipt->head(), $receipt->deposits, $held));
        }
        assert($lines !== []);

        return $lines;
    }
}
