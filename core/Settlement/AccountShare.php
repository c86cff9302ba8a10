<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;

/** What of some money goes straight to an account. */
final readonly class AccountShare
{
    /** @param  ?Money  $amount base currency, below zero a debit; null: all that is left */
    public function __construct(public Account $account, public ?Money $amount) {}
}
