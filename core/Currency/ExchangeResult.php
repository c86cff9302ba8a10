<?php

declare(strict_types=1);

namespace Ajuste\Core\Currency;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;

/** What one customer's items in one currency brought to an exchange account in one month. */
final readonly class ExchangeResult
{
    /**
     * @param string $month `2026-10`
     * @param string $currency ISO 4217; blank: the ledger names no document whose currency is known
     * @param string $customer number; blank likewise
     * @param Money $gain base currency, a loss below zero
     */
    public function __construct(
        public Account $account,
        public string $month,
        public string $currency,
        public string $customer,
        public string $name,
        public Money $gain,
    ) {}
}
