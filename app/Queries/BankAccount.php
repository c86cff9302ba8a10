<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Bank\BankAgainstBook;
use Ajuste\Core\Exchange\Bank\BankBalance;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/** A bank account of the ledger beside its last statement. */
final readonly class BankAccount
{
    /**
     * @param string $number at the bank, blank where it is not known
     * @param string $statement number of the last statement, blank where there is none
     * @param ?BankBalance $closing what it closed with, null where there is none
     * @param ?Money $book as imported; null where the ledger gives no amounts in the account's currency
     * @param Money $own of own vouchers not taken over yet
     * @param ?BankAgainstBook $against null where there is nothing to compare
     */
    public function __construct(
        public Account $account,
        public string $number,
        public Currency $currency,
        public string $statement,
        public ?BankBalance $closing,
        public ?Money $book,
        public Money $own,
        public ?BankAgainstBook $against,
    ) {}

    public function ties(): bool
    {
        return $this->against?->ties() ?? false;
    }
}
