<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Calendar;
use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Exchange\SettingsInForce;
use Ajuste\Core\Exchange\SettingVersion;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\AccountType;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Currency;
use App\Models\Account as AccountModel;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The policies of the books, their accounts and their locked days. Read once for each request. */
final class Settings
{
    /** @var ?list<SettingVersion> in the order in which they were said */
    private ?array $versions = null;

    /** @var array<string, SettingsInForce> by day */
    private array $inForce = [];

    private ?ChartOfAccounts $chart = null;

    private ?Period $period = null;

    private ?Calendar $calendar = null;

    /** What holds on a day; blank: what holds from the beginning. */
    public function on(string $day): SettingsInForce
    {
        $this->versions ??= array_values(
            DB::table('settings')
                ->orderBy('id')
                ->get(['name', 'value', 'from_day'])
                ->map(static fn (stdClass $row): SettingVersion => new SettingVersion($row->name, $row->value, $row->from_day))
                ->all(),
        );

        return $this->inForce[$day] ??= SettingsInForce::on($day, $this->versions);
    }

    /** What holds at the end of the period that is being closed, where nothing says of which day the question is. */
    public function now(): SettingsInForce
    {
        return $this->on($this->period()->last);
    }

    public function booksName(): string
    {
        return $this->now()->text(Setting::BooksName);
    }

    public function base(): Currency
    {
        return $this->on('')->base();
    }

    /** The period that is being closed: the one that is set, else the month of the last posting or item. */
    public function period(): Period
    {
        $named = $this->on('')->text(Setting::Period);

        return $this->period ??= $named !== '' ? $this->calendar()->named($named) : $this->lastOne();
    }

    public function calendar(): Calendar
    {
        return $this->calendar ??= new Calendar(
            array_values(
                DB::table('calendar_periods')
                    ->get()
                    ->map(static fn (stdClass $row): Period => Period::between($row->name, $row->first, $row->last))
                    ->all(),
            ),
        );
    }

    private function lastOne(): Period
    {
        $last = max((string) DB::table('postings')->max('date'), (string) DB::table('items')->max('date'));

        return $this->calendar()->containing($last !== '' ? $last : date('Y-m-d'));
    }

    public function locked(): LockedDays
    {
        $through = DB::table('period_locks')->orderByDesc('id')->value('through');

        return new LockedDays(is_string($through) ? $through : null, $this->period()->last);
    }

    public function accounts(): ChartOfAccounts
    {
        return $this->chart ??= new ChartOfAccounts(
            array_values(
                AccountModel::query()
                    ->orderBy('account')
                    ->get()
                    ->map(
                        static fn (AccountModel $account): Account => new Account(
                            $account->id,
                            $account->account,
                            $account->name,
                            AccountRole::tryFrom((string) $account->role),
                            AccountType::tryFrom($account->type),
                        ),
                    )
                    ->all(),
            ),
        );
    }

    /** The control account that is asked for, else the first with the role. */
    public function controlAccount(?string $number = null): Account
    {
        return $number === null || $number === ''
            ? $this->accounts()->withRole(AccountRole::ReceivablesControl)
            : $this->accounts()->numbered($number);
    }

    /** The control account on which a customer's items stand. */
    public function controlAccountOf(int $customerId): Account
    {
        $id = DB::table('customers')->where('id', $customerId)->value('control_account_id');

        return is_int($id) ? $this->accounts()->withId($id) : $this->controlAccount();
    }

    public function hasControlAccount(): bool
    {
        return AccountModel::query()->where('role', AccountRole::ReceivablesControl->value)->exists();
    }

    /** To be called after settings or accounts were written. */
    public function forget(): void
    {
        $this->versions = null;
        $this->inForce = [];
        $this->chart = null;
        $this->period = null;
        $this->calendar = null;
    }
}
