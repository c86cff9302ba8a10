<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Customer;

/** Money of one customer as a person wants it posted: what it settles, what of it is a deposit, what stays unapplied. */
final readonly class Receipt
{
    /**
     * @param Account $deposits where a deposit is held
     * @param string $document number of the receipt
     * @param string $taxRate percent of the tax that is due on a deposit when it is paid; blank: none
     */
    public function __construct(
        public ReceivedMoney $money,
        public Customer $customer,
        public Account $control,
        public Account $deposits,
        public string $document,
        public Ticked $ticked,
        public ReceiptSettlement $settlement,
        public string $taxRate = '',
    ) {}

    public function split(): ReceiptSplit
    {
        return ReceiptSplit::of($this->settlement->receipt, $this->money->base(), $this->settlement->deposit, $this->taxRate);
    }

    public function head(): VoucherHead
    {
        return new VoucherHead($this->money->bookingDate, $this->document, $this->customer->number);
    }

    /** @throws Refusal while something is still to be explained (R5) */
    public function refuseUnexplained(): void
    {
        $left = $this->settlement->toExplain;
        if ($left->isZero()) {
            return;
        }
        $amount = "{$left->abs()->grouped()} {$left->currency->code}";
        throw new Refusal($left->isPositive()
            ? "{$amount} less was paid than is ticked. Say why below, let it stay open, or tick less."
            : "{$amount} more was paid than is ticked. Tick more, or choose where it stays.");
    }

    /** All that came off the customer, in the currency of the invoices. */
    public function amount(): Money
    {
        return $this->settlement->receipt;
    }
}
