<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\PaymentWay;
use Illuminate\Support\Facades\DB;

/** The accounts that money comes in on, and what currency each is in. */
final readonly class MoneyAccounts
{
    private const ROLES = [AccountRole::Bank, AccountRole::Till, AccountRole::ReceiptsInTransit];

    public function __construct(private Settings $settings) {}

    /**
     * The account that a person named; null where none is named.
     *
     * @throws Refusal when it is no money account
     */
    public function numbered(string $number): ?Account
    {
        if (trim($number) === '') {
            return null;
        }
        $account = $this->settings->accounts()->numbered(trim($number));

        return in_array($account->role, self::ROLES, true)
            ? $account
            : throw new Refusal(
                "{$account->title()} is no money account. One with the role bank, till or receipts_in_transit is expected.",
            );
    }

    public function of(PaymentWay $way): Account
    {
        $accounts = $this->settings->accounts();

        return $accounts->allWithRole($way->receivedOn())[0] ?? $accounts->withRole(AccountRole::Bank);
    }

    public function currency(Account $account): Currency
    {
        $code = DB::table('accounts')->where('id', $account->id)->value('currency');

        return is_string($code) && $code !== '' ? Currency::of($code) : $this->settings->base();
    }
}
