<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Settlement\PaymentWay;

/** The settings as they hold on a day: a policy that changes leaves the days before as they were. */
final readonly class SettingsInForce
{
    /** @param  array<string, string>  $values by name as settings.csv has it */
    private function __construct(private array $values) {}

    /**
     * Of each name the version with the latest day holds, of equal ones the one that was said last.
     *
     * @param iterable<SettingVersion> $versions in the order in which they were said
     */
    public static function on(string $day, iterable $versions): self
    {
        $inForce = [];
        foreach ($versions as $version) {
            if ($version->from <= $day && $version->from >= ($inForce[$version->name]->from ?? '')) {
                $inForce[$version->name] = $version;
            }
        }

        return new self(array_map(static fn (SettingVersion $version): string => $version->value, $inForce));
    }

    public function text(Setting $setting): string
    {
        return $this->values[$setting->value] ?? $setting->default();
    }

    /** By the name that settings.csv has, blank where a name for one currency or run says nothing. */
    public function named(string $name): string
    {
        [$setting, $for] = Setting::named($name);

        return $this->said($name) ?? ($for === null ? $setting->default() : '');
    }

    /** @return list<string> all names that settings.csv knows, each with those that were said for one currency or run */
    public function names(): array
    {
        $names = [...array_column(Setting::cases(), 'value'), ...array_keys($this->values)];
        sort($names);

        return array_values(array_unique($names));
    }

    /** Likewise; null where nothing was said and the default holds. */
    public function said(string $name): ?string
    {
        return $this->values[$name] ?? null;
    }

    /** What a setting says for one currency, blank where it says nothing of it. */
    public function in(Setting $setting, Currency $currency): string
    {
        return $this->values["{$setting->value}.{$currency->code}"] ?? '';
    }

    /** What a setting says for one run, blank where it says nothing of it. */
    public function ofRun(Setting $setting, RunKind $kind): string
    {
        return $this->values["{$setting->value}.{$kind->value}"] ?? '';
    }

    /** What a setting says for one way of payment, blank where it says nothing of it. */
    public function ofWay(Setting $setting, PaymentWay $way): string
    {
        return $this->values["{$setting->value}.{$way->value}"] ?? '';
    }

    public function whole(Setting $setting): int
    {
        return (int) $this->text($setting);
    }

    /** Whether a switch of the books is on. */
    public function isOn(Setting $setting): bool
    {
        return $this->text($setting) === 'yes';
    }

    public function base(): Currency
    {
        return Currency::of($this->text(Setting::BaseCurrency));
    }

    /** In base currency. */
    public function money(Setting $setting): Money
    {
        return Money::parse($this->text($setting), $this->base());
    }

    /** In base currency; null where it is blank. */
    public function moneyOrNone(Setting $setting): ?Money
    {
        return $this->text($setting) === '' ? null : $this->money($setting);
    }

    /**
     * What a setting says for every currency: the base currency by itself, others where they are named.
     *
     * @return array<string, Money> by currency code
     */
    public function byCurrency(Setting $setting): array
    {
        $said = [$this->base()->code => $this->money($setting)];
        foreach ($this->values as $name => $value) {
            [$of, $code] = [...explode('.', $name, 2), ''];
            if ($of === $setting->value && $code !== '') {
                $said[$code] = Money::parse($value, Currency::of($code));
            }
        }

        return $said;
    }
}
