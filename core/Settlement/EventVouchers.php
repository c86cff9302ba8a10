<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;

/**
 * What each event posts (R2): receipts, deposits, discounts, deductions, returns and refunds. Amounts are base currency where nothing else
 * is said.
 */
final readonly class EventVouchers
{
    public function __construct(private ChartOfAccounts $accounts) {}

    /**
     * Money that came in, against what it is for: bank 985.00 + charges 15.00 = 1,000.00 off the customer.
     *
     * @param Account $money the money account
     * @param Money $credited what it gets
     * @param Money $charges what a bank deducted of it, nil or positive
     * @param non-empty-list<VoucherLine> $against credits that make credited + charges
     */
    public function received(VoucherHead $head, Account $money, Money $credited, Money $charges, array $against, string $text): Voucher
    {
        $lines = [self::line($money, $credited, $text, $head)];
        if (! $charges->isZero()) {
            $lines[] = self::line(
                $this->accounts->withRole(AccountRole::BankCharges),
                $charges,
                "Bank charges deducted from {$head->document}",
                $head,
            );
        }

        return new Voucher($head->date, $text, [...$lines, ...$against]);
    }

    /** What comes off the customer. */
    public function offCustomer(VoucherHead $head, Account $control, Worth $worth, string $text): VoucherLine
    {
        return self::line($control, $worth->base->negated(), $text, $head, $worth);
    }

    /**
     * A deposit: a liability until matched. Where tax is due on payment, net to deposits and the tax to output tax: 1,210.00 = 1,000.00 +
     * 210.00.
     *
     * @param Worth $worth base with the tax, original without it
     * @return non-empty-list<VoucherLine>
     */
    public function deposit(VoucherHead $head, Account $deposits, Worth $worth): array
    {
        $text = "Deposit {$head->document}";

        return [
            self::line($deposits, $worth->base->minus($worth->tax)->negated(), $text, $head, $worth),
            ...$this->tax($worth->tax->negated(), $text, $head),
        ];
    }

    /**
     * Unapplied money that is an advance: from the receivables control to the deposits, and to output tax where that is due on payment.
     *
     * @param ReceiptSplit $split base as the receipt carries it, all of it a deposit
     */
    public function heldAsDeposit(VoucherHead $head, Account $control, Account $deposits, ReceiptSplit $split): Voucher
    {
        $text = "{$head->document} held as a deposit";
        $held = new Worth($split->deposit->base, $split->depositNet, $split->deposit->tax);

        return new Voucher($head->date, $text, [
            self::line($control, $split->deposit->base, $text, $head, $split->deposit),
            ...$this->deposit($head, $deposits, $held),
        ]);
    }

    /**
     * A deposit taken over by the receivables control, with the tax that was booked on it.
     *
     * @param Worth $worth base without the tax, as the deposits account carries it; original with it
     */
    public function depositMatched(VoucherHead $head, Account $deposits, Account $control, Worth $worth): Voucher
    {
        $text = "Deposit {$head->document} matched";

        return new Voucher($head->date, $text, [
            self::line($deposits, $worth->base, $text, $head, $worth),
            ...$this->tax($worth->tax, $text, $head),
            self::line($control, $worth->base->plus($worth->tax)->negated(), $text, $head, $worth),
        ]);
    }

    /**
     * A credit converted into the currency of what it settles (R3): the control account against itself. Into base currency the
     * difference between what it carried and what it is worth is realised: 1,000.00 that carried 900.00 and is worth 910.00 is a loss
     * of 10.00.
     *
     * @param Money $original the credit, in its currency
     * @param Money $worth what comes of it, in the other currency
     */
    public function converted(VoucherHead $head, Account $control, Conversion $conversion, Money $original, Money $worth): Voucher
    {
        $text = "{$head->document} converted into {$worth->currency->code}";
        $lines = [
            self::line($control, $conversion->moved, $text, $head, new Worth($conversion->moved, $original)),
            self::line($control, $conversion->base->negated(), $text, $head, new Worth($conversion->base, $worth)),
        ];
        $gain = $conversion->realised();
        if (! $gain->isZero()) {
            $role = $gain->isPositive() ? AccountRole::ExchangeRealisedGain : AccountRole::ExchangeRealisedLoss;
            $lines[] = self::line($this->accounts->withRole($role), $gain->negated(), $text, $head);
        }

        return new Voucher($head->date, $text, $lines);
    }

    /** A discount taken: discounts allowed (net) and output tax against the control account. Without relief the whole is cost. */
    public function discount(VoucherHead $head, Account $control, Worth $worth): Voucher
    {
        return $this->reduction(
            $head,
            $this->accounts->withRole(AccountRole::DiscountsAllowed),
            $control,
            $worth,
            "Discount taken on {$head->document}",
        );
    }

    /** A deduction accepted: the reason's account (net) and output tax if the reason has relief, against the control account. */
    public function deduction(VoucherHead $head, Account $reason, Account $control, Worth $worth, string $words): Voucher
    {
        return $this->reduction($head, $reason, $control, $worth, "{$words}, {$head->document}");
    }

    /**
     * A receipt that came back: the control account, or the deposits account and the tax booked on it, against the money account. What
     * a bank had deducted of it is no cost any more. Its match is undone first, so that the invoice keeps its age.
     *
     * @param Worth $worth base without the tax of a deposit
     * @param Money $charges posted with the receipt, nil where none were
     */
    public function returned(VoucherHead $head, Account $control, Account $money, Worth $worth, Money $charges): Voucher
    {
        $text = "Receipt {$head->document} came back";
        $lines = [self::line($control, $worth->base, $text, $head, $worth), ...$this->tax($worth->tax, $text, $head)];
        if (! $charges->isZero()) {
            $lines[] = self::line($this->accounts->withRole(AccountRole::BankCharges), $charges->negated(), $text, $head);
        }

        return new Voucher($head->date, $text, [
            ...$lines,
            self::line($money, $worth->base->plus($worth->tax)->minus($charges)->negated(), $text, $head),
        ]);
    }

    /** The bank's fee for a receipt that came back: to charges, or to the customer as a charge. */
    public function returnFee(VoucherHead $head, Account $bearer, Account $money, Money $fee): Voucher
    {
        $text = "Fee for the return of {$head->document}";

        return new Voucher($head->date, $text, [
            self::line($bearer, $fee, $text, $head),
            self::line($money, $fee->negated(), $text, $head),
        ]);
    }

    /**
     * What a statement line became is another customer's: control to control. The money is where it was.
     *
     * @param non-empty-list<PostedReceipt> $made
     * @param string $customer the number of the one whose it is
     */
    public function moved(VoucherHead $head, array $made, string $customer): Voucher
    {
        $text = "{$head->document} moved to {$customer}";
        $other = new VoucherHead($head->date, $head->document, $customer);
        $lines = [];
        foreach ($made as $posted) {
            $worth = $posted->worth();
            $lines[] = self::line($posted->account, $worth->base, $text, $head, $worth);
            $lines[] = self::line($posted->account, $worth->base->negated(), $text, $other, $worth);
        }

        return new Voucher($head->date, $text, $lines);
    }

    /**
     * A credit paid back: the control account, or the deposits account and the tax booked on it, against payments in transit or the till.
     *
     * @param Worth $worth base and original without the tax of a deposit
     * @param string $of what it pays back; blank when it is paid before there is a credit
     */
    public function refund(VoucherHead $head, Account $control, Account $money, Worth $worth, string $of): Voucher
    {
        $text = trim("Refund {$head->document}".($of === '' ? '' : " of {$of}"));

        return new Voucher($head->date, $text, [
            self::line($control, $worth->base, $text, $head, $worth),
            ...$this->tax($worth->tax, $text, $head),
            self::line($money, $worth->base->plus($worth->tax)->negated(), $text, $head),
        ]);
    }

    /** The bank takes over what stood on an account in transit: money in when it is positive, else money out. */
    public function cleared(VoucherHead $head, Account $transit, Account $money, Money $amount, string $named): Voucher
    {
        $text = ($amount->isPositive() ? 'Credited' : 'Paid')." by the bank: {$named}";

        return new Voucher($head->date, $text, [
            self::line($money, $amount, $text, $head),
            self::line($transit, $amount->negated(), $text, $head),
        ]);
    }

    private function reduction(VoucherHead $head, Account $cost, Account $control, Worth $worth, string $text): Voucher
    {
        return new Voucher($head->date, $text, [
            self::line($cost, $worth->base->minus($worth->tax), $text, $head),
            ...$this->tax($worth->tax, $text, $head),
            $this->offCustomer($head, $control, $worth, $text),
        ]);
    }

    /** @return list<VoucherLine> none where there is no tax */
    private function tax(Money $tax, string $text, VoucherHead $head): array
    {
        return $tax->isZero() ? [] : [self::line($this->accounts->withRole(AccountRole::OutputTax), $tax, $text, $head)];
    }

    private static function line(Account $account, Money $base, string $text, VoucherHead $head, ?Worth $worth = null): VoucherLine
    {
        return new VoucherLine($account, $base, $text, $head->document, $head->customer, $worth?->foreign($base));
    }
}
