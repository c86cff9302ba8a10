<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

enum AccountType: string
{
    case Asset = 'asset';
    case Liability = 'liability';
    case Equity = 'equity';
    case Income = 'income';
    case Expense = 'expense';

    /** Whether its balance goes into the result of the year. */
    public function isResult(): bool
    {
        return $this === self::Income || $this === self::Expense;
    }
}
