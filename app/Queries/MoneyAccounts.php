<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\Setting;
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

    /** @return list<Account> */
    public function all(): array
    {
        $accounts = $this->settings->accounts();

        return array_merge(...array_map($accounts->allWithRole(...), self::ROLES));
    }

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

    /**
     * The account on which money of a way is received: the one that the books name, else the first with the way's role.
     *
     * @throws Refusal when the one that is named is no money account
     */
    public function of(PaymentWay $way): Account
    {
        $named = $this->numbered($this->settings->now()->ofWay(Setting::MoneyAccount, $way));
        if ($named !== null) {
            return $named;
        }
        $accounts = $this->settings->accounts();

        return $accounts->allWithRole($way->receivedOn())[0] ?? $accounts->withRole(AccountRole::Bank);
    }

    /**
     * The bank account of a currency: the one that the books name, else the only one that is kept in it.
     *
     * @throws Refusal when there is none, there are two, or its number is not known
     */
    public function own(Currency $currency): OwnBank
    {
        return $this->known($currency) ?? throw new Refusal(
            "No bank account of your own is known from which to pay or to which to collect in {$currency->code}. Name it as "
                ."own_bank.{$currency->code} in settings.csv, and give it its iban in accounts.csv.",
        );
    }

    /** Likewise; null when there is none, there are two, or its number is not known. */
    public function known(Currency $currency): ?OwnBank
    {
        $named = $this->settings->now()->in(Setting::OwnBank, $currency);
        $rows = DB::table('accounts')
            ->where('role', AccountRole::Bank->value)
            ->where('iban', '<>', '')
            ->when(
                $named !== '',
                static fn ($query) => $query->where('account', $named),
                fn ($query) => $query->whereRaw("coalesce(nullif(currency, ''), ?) = ?", [$this->settings->base()->code, $currency->code]),
            )
            ->pluck('iban', 'id');

        return $rows->count() === 1
            ? new OwnBank($this->settings->accounts()->withId((int) $rows->keys()->first()), (string) $rows->first())
            : null;
    }

    public function currency(Account $account): Currency
    {
        $code = DB::table('accounts')->where('id', $account->id)->value('currency');

        return is_string($code) && $code !== '' ? Currency::of($code) : $this->settings->base();
    }
}
