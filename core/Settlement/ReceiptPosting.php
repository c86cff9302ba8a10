<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;

/** What receipts, their deposits, discounts and deductions post, and what a receipt that came back posts (R2). Amounts are base currency, positive, where nothing else is said. */
final readonly class ReceiptPosting
{
    public function __construct(private ChartOfAccounts $accounts) {}

    /**
     * Money that came in, against what it is for: bank 985.00 + charges 15.00 = 1,000.00 off the customer.
     *
     * @param Money $credited what the money account gets
     * @param Money $charges what a bank kept back of it, nil or positive
     * @param non-empty-list<VoucherLine> $against credits that make credited + charges
     */
    public function received(string $date, Account $moneyAccount, Money $credited, Money $charges, array $against, string $text, string $document = '', string $customer = ''): Voucher
    {
        $lines = [new VoucherLine($moneyAccount, $credited, $text, $document, $customer)];
        if (! $charges->isZero()) {
            $lines[] = new VoucherLine($this->accounts->withRole(AccountRole::BankCharges), $charges, "Charges kept back on {$document}", $document, $customer);
        }

        return new Voucher($date, $text, [...$lines, ...$against]);
    }

    /** @param  Money  $original what comes off the customer, in the receipt's currency */
    public function offCustomer(Account $control, Money $base, Money $original, string $document, string $customer, string $text): VoucherLine
    {
        return new VoucherLine($control, $base->negated(), $text, $document, $customer, self::foreign($original->negated(), $base));
    }

    /**
     * A deposit: a liability until matched. Where tax is due on payment, net to deposits and the tax to output tax: 1,210.00 = 1,000.00 + 210.00.
     *
     * @param Money $tax nil where none is due on payment
     * @return non-empty-list<VoucherLine>
     */
    public function deposit(Account $deposits, Money $base, Money $tax, Money $original, string $document, string $customer): array
    {
        $text = "Deposit {$document}";
        $lines = [new VoucherLine($deposits, $base->minus($tax)->negated(), $text, $document, $customer, self::foreign($original->negated(), $base))];

        return $tax->isZero() ? $lines : [...$lines, new VoucherLine($this->accounts->withRole(AccountRole::OutputTax), $tax->negated(), $text, $document, $customer)];
    }

    /**
     * A deposit taken over by the receivables control, with the tax that was booked on it.
     *
     * @param Money $net what it carries on the deposits account
     * @param Money $tax booked when it was received, nil where none was
     */
    public function depositMatched(string $date, Account $deposits, Account $control, Money $net, Money $tax, Money $original, string $document, string $customer): Voucher
    {
        $text = "Deposit {$document} matched";
        $lines = [new VoucherLine($deposits, $net, $text, $document, $customer, self::foreign($original, $net))];
        if (! $tax->isZero()) {
            $lines[] = new VoucherLine($this->accounts->withRole(AccountRole::OutputTax), $tax, $text, $document, $customer);
        }

        return new Voucher($date, $text, [...$lines, $this->offCustomer($control, $net->plus($tax), $original, $document, $customer, $text)]);
    }

    /**
     * A credit converted into the currency of what it settles (R3): the control account against itself. Into base currency the difference between what it
     * carried and what it is worth is realised: 1,000.00 that carried 900.00 and is worth 910.00 is a loss of 10.00.
     *
     * @param Money $worth what comes of it, in the other currency
     */
    public function converted(string $date, Account $control, Conversion $conversion, Money $original, Money $worth, string $document, string $customer): Voucher
    {
        $text = "{$document} converted into {$worth->currency->code}";
        $lines = [
            new VoucherLine($control, $conversion->moved, $text, $document, $customer, self::foreign($original, $conversion->moved)),
            $this->offCustomer($control, $conversion->base, $worth, $document, $customer, $text),
        ];
        $gain = $conversion->realised();
        if (! $gain->isZero()) {
            $lines[] = new VoucherLine($this->accounts->withRole($gain->minor > 0 ? AccountRole::ExchangeRealisedGain : AccountRole::ExchangeRealisedLoss), $gain->negated(), $text, $document, $customer);
        }

        return new Voucher($date, $text, $lines);
    }

    /**
     * A discount taken: discounts allowed (net) and output tax against the control account. Without relief the whole is cost.
     *
     * @param Money $tax the tax within it, nil where there is no relief
     */
    public function discount(string $date, Account $control, Money $discount, Money $tax, Money $original, string $invoice, string $customer): Voucher
    {
        return $this->reduction($date, $this->accounts->withRole(AccountRole::DiscountsAllowed), $control, $discount, $tax, $original, "Discount taken on {$invoice}", $invoice, $customer);
    }

    /**
     * A deduction accepted: the reason's account (net) and output tax if the reason has relief, against the control account.
     *
     * @param Account $account the reason's
     * @param Money $tax the tax within it, nil where there is no relief
     */
    public function deduction(string $date, Account $account, Account $control, Money $deduction, Money $tax, Money $original, string $words, string $document, string $customer): Voucher
    {
        return $this->reduction($date, $account, $control, $deduction, $tax, $original, "{$words}, {$document}", $document, $customer);
    }

    /**
     * A receipt that came back: the control account, or the deposits account and the tax booked on it, against the money account. What a bank had kept back of it
     * is no cost any more. Its match is undone first, so that the invoice keeps its age.
     *
     * @param Money $tax of a deposit, nil where none was booked
     * @param Money $charges posted with the receipt, nil where none were
     */
    public function returned(string $date, Account $control, Account $moneyAccount, Money $base, Money $tax, Money $charges, Money $original, string $document, string $customer): Voucher
    {
        $text = "Receipt {$document} came back";
        $lines = [new VoucherLine($control, $base, $text, $document, $customer, self::foreign($original, $base))];
        foreach ([[AccountRole::OutputTax, $tax], [AccountRole::BankCharges, $charges->negated()]] as [$role, $amount]) {
            if (! $amount->isZero()) {
                $lines[] = new VoucherLine($this->accounts->withRole($role), $amount, $text, $document, $customer);
            }
        }

        return new Voucher($date, $text, [...$lines, new VoucherLine($moneyAccount, $base->plus($tax)->minus($charges)->negated(), $text, $document, $customer)]);
    }

    /** The bank's fee for a receipt that came back: to charges, or to the customer as a charge. */
    public function returnFee(string $date, Account $bearer, Account $moneyAccount, Money $fee, string $document, string $customer): Voucher
    {
        $text = "Fee for the return of {$document}";

        return new Voucher($date, $text, [new VoucherLine($bearer, $fee, $text, $document, $customer), new VoucherLine($moneyAccount, $fee->negated(), $text, $document, $customer)]);
    }

    /**
     * A credit paid back: the control account, or the deposits account and the tax booked on it, against payments in transit or the till.
     *
     * @param Money $tax of a deposit, nil where none was booked
     * @param string $of what it pays back; blank when it is paid before there is a credit
     */
    public function refund(string $date, Account $control, Account $moneyAccount, Money $base, Money $tax, Money $original, string $document, string $of, string $customer): Voucher
    {
        $text = trim("Refund {$document}".($of === '' ? '' : " of {$of}"));
        $lines = [new VoucherLine($control, $base, $text, $document, $customer, self::foreign($original, $base))];
        if (! $tax->isZero()) {
            $lines[] = new VoucherLine($this->accounts->withRole(AccountRole::OutputTax), $tax, $text, $document, $customer);
        }

        return new Voucher($date, $text, [...$lines, new VoucherLine($moneyAccount, $base->plus($tax)->negated(), $text, $document, $customer)]);
    }

    private function reduction(string $date, Account $cost, Account $control, Money $amount, Money $tax, Money $original, string $text, string $document, string $customer): Voucher
    {
        $lines = [new VoucherLine($cost, $amount->minus($tax), $text, $document, $customer)];
        if (! $tax->isZero()) {
            $lines[] = new VoucherLine($this->accounts->withRole(AccountRole::OutputTax), $tax, $text, $document, $customer);
        }

        return new Voucher($date, $text, [...$lines, $this->offCustomer($control, $amount, $original, $document, $customer, $text)]);
    }

    /** The original amount, where it is not base already. */
    private static function foreign(Money $original, Money $base): ?Money
    {
        return $original->currency->code === $base->currency->code ? null : $original;
    }
}
