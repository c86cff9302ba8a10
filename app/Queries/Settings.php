<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use App\Models\Account as AccountModel;
use Illuminate\Support\Facades\DB;

/** The policies of the books as they stand, their accounts and their locked days. Read once for each request. */
final class Settings
{
    /** @var ?array<string, string> */
    private ?array $values = null;

    private ?ChartOfAccounts $chart = null;

    public function text(Setting $setting): string
    {
        $this->values ??= DB::table('settings')->orderBy('id')->pluck('value', 'name')->all();

        return $this->values[$setting->value] ?? $setting->default();
    }

    public function whole(Setting $setting): int
    {
        return (int) $this->text($setting);
    }

    public function money(Setting $setting): Money
    {
        return Money::parse($this->text($setting), $this->base());
    }

    public function base(): Currency
    {
        return Currency::of($this->text(Setting::BaseCurrency));
    }

    /** The period that is being closed: the one that is set, else the month of the last posting or item. */
    public function period(): Period
    {
        $set = $this->text(Setting::Period);
        if ($set !== '') {
            return Period::of($set);
        }
        $last = max((string) DB::table('postings')->max('date'), (string) DB::table('items')->max('date'));

        return Period::containing($last !== '' ? $last : date('Y-m-d'));
    }

    public function locked(): LockedDays
    {
        $through = DB::table('period_locks')->orderByDesc('id')->value('through');

        return new LockedDays(is_string($through) ? $through : null);
    }

    public function accounts(): ChartOfAccounts
    {
        return $this->chart ??= new ChartOfAccounts(array_values(AccountModel::query()->orderBy('account')->get()
            ->map(static fn (AccountModel $account): Account => new Account($account->id, $account->account, $account->name, AccountRole::tryFrom((string) $account->role)))->all()));
    }

    /** The control account that is asked for, else the first with the role. */
    public function controlAccount(?string $number = null): Account
    {
        return $number === null || $number === '' ? $this->accounts()->withRole(AccountRole::ReceivablesControl) : $this->accounts()->numbered($number);
    }

    public function hasControlAccount(): bool
    {
        return AccountModel::query()->where('role', AccountRole::ReceivablesControl->value)->exists();
    }

    /** To be called after settings or accounts were written. */
    public function forget(): void
    {
        $this->values = null;
        $this->chart = null;
    }
}
