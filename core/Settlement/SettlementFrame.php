<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Subledger\Customer;

/** Whose items a settlement ties together, on which control account, and on which days. */
final readonly class SettlementFrame
{
    /**
     * @param string $date of the match
     * @param string $voucherDate of discounts and deductions
     * @param string $document under which a deduction goes that concerns no invoice
     */
    public function __construct(
        public Customer $customer,
        public Account $control,
        public string $date,
        public string $voucherDate,
        public string $document,
    ) {}
}
