<?php

declare(strict_types=1);

namespace Tests\Core;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
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
            new Account(6, '4000', 'Sales', AccountRole::Revenue),
        ]);
    }

    public static function item(
        int $id,
        Kind $kind,
        string $amount,
        string $date = '2026-10-01',
        string $currency = 'EUR',
        ?string $base = null,
        int $customer = 1,
        ?string $open = null,
        ?Side $side = null,
        string $base_currency = 'EUR',
    ): OpenItem {
        $money = Money::parse($amount, $currency);
        $matched = $money->minor - Money::parse($open ?? $amount, $currency)->minor;
        $head = new ItemHead("D{$id}", $kind, $side ?? ($kind->side() ?? Side::Debit), new CustomerAccount($customer, 1), $date, $date);

        return OpenItem::of($id, $head, $money, Money::parse($base ?? $amount, $base_currency), Position::resting($matched, 0));
    }

    public static function customer(int $id = 1): Customer
    {
        return new Customer($id, "C{$id}", "Customer {$id}");
    }
}
