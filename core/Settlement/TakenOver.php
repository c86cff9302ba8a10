<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;

/**
 * A deposit that the receivables control takes over with the tax that was booked on it (R2). Afterwards the deposits account carries
 * nothing of that part. It moves at its own rate (IFRIC 22).
 */
final readonly class TakenOver implements Brought
{
    /** @param  Account  $deposits the account that holds it */
    public function __construct(
        private OpenItem $deposit,
        private DepositShare $share,
        private Account $deposits,
        private ChartOfAccounts $accounts,
    ) {}

    public function asSettled(): OpenItem
    {
        return $this->deposit->countedAs($this->share->openGross());
    }

    public function bring(PlanBuilder $plan, int $settlement, SettlementFrame $frame, Money $amount): OpenItem
    {
        $net = $this->share->ofGross($amount);
        $base = $this->deposit->moves($net);
        $tax = $this->share->tax($net);
        [$document, $customer] = [$this->deposit->document, $frame->customer];
        $head = new VoucherHead($frame->date, $document, $customer->number);
        $voucher = $plan->voucher(
            (new EventVouchers($this->accounts))->depositMatched($head, $this->deposits, $frame->control, new Worth($base, $amount, $tax)),
            $settlement,
        );
        $off = $plan->newItem(
            ItemHead::debit($document, Kind::Transfer, $customer->on($this->deposits->id), $frame->date, $document),
            $net,
            $base,
            $voucher,
        );
        $plan->match($frame->date, $off, $this->deposit, MatchedAmounts::even($net, $base), $settlement);

        return $plan->newItem(
            ItemHead::credit($document, Kind::DepositMatched, $customer->on($frame->control->id), $frame->date, $document),
            $amount,
            $base->plus($tax),
            $voucher,
        );
    }
}
