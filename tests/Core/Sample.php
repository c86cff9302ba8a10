<?php

declare(strict_types=1);

namespace Tests\Core;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;

/** Accounts and items for tests of the core. */
final class Sample
{
    public static function accounts(): ChartOfAccounts
    {
        return new ChartOfAccounts([
            new Account(1, '1100', 'Receivables', AccountRole::ReceivablesControl),
            new Account(2, '1150', 'Presentation', AccountRole::Presentation),
            new Account(3, '2150', 'Customers in credit', AccountRole::CustomersInCredit),
            new Account(4, '4800', 'Exchange gains', AccountRole::ExchangeRealisedGain),
            new Account(5, '6800', 'Exchange losses', AccountRole::ExchangeRealisedLoss),
        ]);
    }

    public static function item(int $id, Kind $kind, string $amount, string $date = '2026-10-01', string $currency = 'EUR', ?string $base = null, int $customer = 1, ?string $open = null): OpenItem
    {
        $money = Money::parse($amount, $currency);
        $left = Money::parse($open ?? $amount, $currency);

        return new OpenItem($id, "D{$id}", $kind, $kind->side() ?? Side::Debit, $date, $date, $money, $left, Money::parse($base ?? $amount, 'EUR'), $money->minor - $left->minor, 0, customerId: $customer, controlAccountId: 1);
    }
}
