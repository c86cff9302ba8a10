<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Posting\Fact\DepositTaxBooked;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;

/**
 * The unapplied part of a receipt that is an advance for future supply becomes a deposit at its own rate: a liability, and not revalued
 * (R9; IFRIC 22 from memory).
 */
final readonly class HeldAsDeposit
{
    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked) {}

    /**
     * @param string $date on which it takes effect
     * @param string $taxRate percent of the tax that is due when a deposit is paid (R2); blank: none
     *
     * @throws Refusal when it is no receipt with an unapplied part, the date is before it, the day is locked, or the rate is none
     */
    public function plan(OpenItem $receipt, Account $control, Customer $customer, string $date, string $taxRate = ''): PostingPlan
    {
        if ($receipt->kind !== Kind::Receipt || $receipt->isDebit()) {
            throw new Refusal("{$receipt->title()} is no receipt. Only the unapplied part of a receipt can be held as a deposit.");
        }
        if (! $receipt->takeable->isPositive()) {
            throw Refusal::done("{$receipt->title()} has nothing unapplied any more. Load the page again.");
        }
        $this->locked->refuse($date, 'The deposit');
        Matching::refuseEarlier($receipt, $date);
        $deposits = $this->accounts->withRole(AccountRole::CustomerDeposits);
        [$amount, $document] = [$receipt->takeable, $receipt->document];
        $base = $receipt->moves($amount);
        $plan = new PlanBuilder;
        $settlement = $plan->settlement($customer->id, $date);
        $split = ReceiptSplit::of($amount, $base, $amount, $taxRate);
        $voucher = $plan->voucher(
            (new EventVouchers($this->accounts))->heldAsDeposit(
                new VoucherHead($date, $document, $customer->number), $control, $deposits, $split,
            ),
            $settlement,
        );
        $off = $plan->newItem(
            ItemHead::debit($document, Kind::Transfer, $customer->on($control->id), $date, $document), $amount, $base, $voucher,
        );
        $plan->match($date, $off, $receipt, MatchedAmounts::even($amount, $base), $settlement);
        $held = $plan->newItem(
            ItemHead::credit($document, Kind::Deposit, $customer->on($deposits->id), $date, $document),
            $split->depositNet,
            $split->depositBase(),
            $voucher,
        );
        if (! $split->deposit->tax->isZero()) {
            $plan->fact(new DepositTaxBooked($held->ref, $taxRate, $split->deposit->tax));
        }
        $plan->trail('hold as deposit', Subject::settlement($settlement), '', ['document' => $document, 'amount' => $amount->decimal()]);

        return $plan->build(Subject::settlement($settlement));
    }
}
