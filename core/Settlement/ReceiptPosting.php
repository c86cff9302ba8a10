<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;

/** What a receipt and an early payment discount post (R2). */
final readonly class ReceiptPosting
{
    public function __construct(private ChartOfAccounts $accounts) {}

    /**
     * Bank and charges kept back by a bank against the control account: bank 985.00 + charges 15.00 = 1,000.00 off the customer.
     *
     * @param Money $credited what the bank credited, base currency, positive
     * @param Money $charges what it kept back, base currency, nil or positive
     * @param Money $original what comes off the customer, in the receipt's currency, positive
     */
    public function receipt(string $date, Account $bank, Account $control, Money $credited, Money $charges, Money $original, string $document, string $customer, string $text): Voucher
    {
        $off = $credited->plus($charges);
        $lines = [new VoucherLine($bank, $credited, $text, $document, $customer)];
        if (! $charges->isZero()) {
            $lines[] = new VoucherLine($this->accounts->withRole(AccountRole::BankCharges), $charges, "Charges kept back on {$document}", $document, $customer);
        }
        $lines[] = new VoucherLine($control, $off->negated(), $text, $document, $customer, $original->currency->code === $off->currency->code ? null : $original->negated());

        return new Voucher($date, $text, $lines);
    }

    /**
     * A discount taken: discounts allowed (net) and output tax against the control account. Without relief the whole is cost.
     *
     * @param Money $discount base currency, positive
     * @param Money $tax the tax within it, nil where there is no relief
     */
    public function discount(string $date, Account $control, Money $discount, Money $tax, Money $original, string $document, string $invoice, string $customer): Voucher
    {
        $text = "Discount taken on {$invoice}";
        $lines = [new VoucherLine($this->accounts->withRole(AccountRole::DiscountsAllowed), $discount->minus($tax), $text, $document, $customer)];
        if (! $tax->isZero()) {
            $lines[] = new VoucherLine($this->accounts->withRole(AccountRole::OutputTax), $tax, $text, $document, $customer);
        }
        $lines[] = new VoucherLine($control, $discount->negated(), $text, $document, $customer, $original->currency->code === $discount->currency->code ? null : $original->negated());

        return new Voucher($date, $text, $lines);
    }
}
