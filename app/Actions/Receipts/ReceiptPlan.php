<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\Deduction;
use Ajuste\Core\Settlement\ReceiptSettlement;
use Ajuste\Core\Settlement\Tick;
use App\Models\Customer;
use App\Queries\MoneyLine;

/** What placing one line of money with a customer would write, before anything is written. */
final readonly class ReceiptPlan
{
    /**
     * @param string $document number of the receipt
     * @param Money $receipt what becomes a receipt, in the currency of the invoices; nil when the whole is a deposit
     * @param Money $receiptBase its carrying amount
     * @param Money $depositNet what the deposit carries on its account, in its currency, tax left out
     * @param Money $credited what the money account gets, base currency
     * @param Money $charges kept back on the way, base currency
     * @param list<VoucherLine> $against
     * @param list<Tick> $ticks
     * @param array<int, Money> $discounts by item id
     * @param list<Deduction> $deductions accepted and contested
     */
    public function __construct(
        public ReceiptRequest $request, public MoneyLine $line, public Customer $customer, public Account $control, public Account $deposits, public string $document, public ReceiptSettlement $settlement,
        public Money $receipt, public Money $receiptBase, public Money $depositNet, public Money $depositBase, public Money $depositTax, public Money $credited, public Money $charges, public array $against,
        public array $ticks, public array $discounts, public array $deductions,
    ) {}
}
