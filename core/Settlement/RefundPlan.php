<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\RefundPaid;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;

/** What paying a credit back writes (R2): refund and credit close each other, or the refund waits open for its credit note. */
final readonly class RefundPlan
{
    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked) {}

    /**
     * @param Money $sum what is paid, in the credit's currency, the tax of a deposit included
     *
     * @throws Refusal when it is no credit, more than is open, or the day is locked
     */
    public function of(Refund $refund, OpenItem $credit, DepositShare $share, Money $sum): PostingPlan
    {
        if ($credit->isDebit() || $credit->kind === Kind::ExchangeDifference) {
            throw new Refusal("{$credit->title()} is no credit of the customer; only a credit is paid back.");
        }
        $net = $share->ofGross($sum);
        $worth = new Worth($credit->moves($net), $net, $share->tax($net));
        $plan = new PlanBuilder();
        [$item, $voucher] = $this->pay($plan, $refund, $worth, $credit->document);
        $settlement = $plan->settlement($refund->customer->id, $refund->date);
        $match = (new Matching($this->accounts, $this->locked))->plan(
            [new Tick($item, $net), new Tick($credit, $net)],
            $refund->date,
            $refund->customer->number,
        );
        $match->addTo($plan, $settlement);
        $plan->fact(new RefundPaid($item->ref, $credit->ref, $refund->way, $sum, $refund->payee, $refund->reason, $voucher, $settlement));
        $plan->trail('refund', Subject::item($item->ref), $refund->reason, [
            'document' => $refund->document,
            'of' => $credit->document,
            'amount' => $sum->decimal(),
            'way' => $refund->way->value,
        ]);

        return $plan->build(Subject::item($item->ref));
    }

    /**
     * Paid before its credit note exists: the refund stays open as a debit and is matched with the credit later.
     *
     * @param Worth $worth what is paid
     *
     * @throws Refusal when nothing is paid, or the day is locked
     */
    public function ahead(Refund $refund, Worth $worth): PostingPlan
    {
        if (! $worth->original->isPositive()) {
            throw new Refusal('Type how much is paid back; an amount above zero is expected.');
        }
        $plan = new PlanBuilder();
        [$item, $voucher] = $this->pay($plan, $refund, $worth, '');
        $plan->fact(new RefundPaid($item->ref, null, $refund->way, $worth->original, $refund->payee, $refund->reason, $voucher, null));
        $plan->trail('refund before its credit', Subject::item($item->ref), $refund->reason, [
            'document' => $refund->document,
            'customer' => $refund->customer->number,
            'amount' => $worth->original->decimal(),
            'way' => $refund->way->value,
        ]);

        return $plan->build(Subject::item($item->ref));
    }

    /** @return array{OpenItem, int} the refund, and the place of its voucher */
    private function pay(PlanBuilder $plan, Refund $refund, Worth $worth, string $of): array
    {
        $this->locked->refuse($refund->date, 'The refund');
        $head = new VoucherHead($refund->date, $refund->document, $refund->customer->number);
        $money = $this->accounts->withRole($refund->way->paidFrom());
        $voucher = $plan->voucher((new EventVouchers($this->accounts))->refund($head, $refund->control, $money, $worth, $of));
        $account = $refund->customer->on($refund->control->id);

        return [
            $plan->newItem(
                ItemHead::debit($refund->document, Kind::Refund, $account, $refund->date, $of),
                $worth->original,
                $worth->base,
                $voucher,
            ),
            $voucher,
        ];
    }
}
