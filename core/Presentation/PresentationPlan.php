<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Money;

/** What the reclassification would post. Amounts are base currency. */
final readonly class PresentationPlan
{
    /**
     * @param list<PresentedCredit> $lines
     * @param list<PresentedCredit> $left below the limit
     * @param Money $debitBalances sum of the balances of customers in debit
     * @param Money $creditBalances sum, positive, of the balances of customers in credit
     */
    public function __construct(
        public Account $control,
        public string $asOf,
        public CreditBalancePolicy $policy,
        public array $lines,
        public array $left,
        public Money $total,
        public ?Voucher $voucher,
        public ?Voucher $mirror,
        public Money $debitBalances,
        public Money $creditBalances,
    ) {}

    /** The control account's balance, as the items add it up. */
    public function net(): Money
    {
        return $this->debitBalances->minus($this->creditBalances);
    }

    /** Receivables on the balance sheet afterwards: control plus presentation. */
    public function receivablesAfter(): Money
    {
        return $this->net()->plus($this->total);
    }
}
