<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Calendar;
use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\AccountType;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Run\RunKind;
use App\Models\Account as AccountModel;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The policies of the books as they stand, their accounts and their locked days. Read once for each request. */
final class Settings
{
    /** @var ?array<string, string> */
    private ?array $values = null;

    private ?ChartOfAccounts $chart = null;

    private ?Period $period = null;

    private ?Calendar $calendar = null;

    public function text(Setting $setting): string
    {
        $this->values ??= DB::table('settings')->orderBy('id')->pluck('value', 'name')->all();

        return $this->values[$setting->value] ?? $setting->default();
    }

    /** What a setting says for one currency, blank where it says nothing of it. */
    public function in(Setting $setting, Currency $currency): string
    {
        $this->text($setting);

        return $this->values["{$setting->value}.{$currency->code}"] ?? '';
    }

    /** What a setting says for one run, blank where it says nothing of it. */
    public function ofRun(Setting $setting, RunKind $kind): string
    {
        $this->text($setting);

        return $this->values["{$setting->value}.{$kind->value}"] ?? '';
    }

    /**
     * What a setting says for every currency: the base currency by itself, others where they are named.
     *
     * @return array<string, Money> by currency code
     */
    public function byCurrency(Setting $setting): array
    {
        $said = [$this->base()->code => $this->money($setting)];
        foreach ($this->values ?? [] as $name => $value) {
            [$of, $code] = [...explode('.', (string) $name, 2), ''];
            if ($of === $setting->value && $code !== '') {
                $said[$code] = Money::parse($value, Currency::of($code));
            }
        }

        return $said;
    }

    /** Null where it is blank. */
    public function moneyOrNone(Setting $setting): ?Money
    {
        return $this->text($setting) === '' ? null : $this->money($setting);
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
        $named = $this->text(Setting::Period);

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

    /** Whether a switch of the books is on. */
    public function isOn(Setting $setting): bool
    {
        return $this->text($setting) === 'yes';
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
        $this->period = null;
        $this->calendar = null;
    }
}
