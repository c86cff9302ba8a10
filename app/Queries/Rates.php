<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Currency\ClosingRate;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\DatedRate;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Quote;
use Ajuste\Core\Money\Rate;
use Ajuste\Core\Refusal;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The rates of the books. */
final readonly class Rates
{
    public function __construct(private Settings $settings) {}

    /**
     * An amount in base currency, by the rate that serves on a day.
     *
     * @throws Refusal when none does
     */
    public function toBase(Money $amount, string $date): Money
    {
        $base = $this->settings->base();

        return $amount->isIn($base) ? $amount : $this->serving($amount->currency, $date)->rate->toBase($amount, $base);
    }

    /**
     * The rate of a currency at a day's end, with the last one before it.
     *
     * @throws Refusal when none serves
     */
    public function closing(Currency $currency, string $date): ClosingRate
    {
        $now = $this->serving($currency, $date);
        $accepted = DB::table('rates_accepted')->where([
            'currency' => $currency->code,
            'date' => $now->date,
            'rate' => (string) $now->rate->value,
            'quoted' => $now->rate->quote->value,
        ]);

        return new ClosingRate($now, $this->before($currency, $now->date), $accepted->exists());
    }

    /** The last rate of an earlier day; null where there is none. */
    public function before(Currency $currency, string $date): ?DatedRate
    {
        return $this->last($currency, '<', $date);
    }

    /** @return list<DatedRate> of a currency from a day through another, the oldest first */
    public function between(Currency $currency, string $from, string $to): array
    {
        $rows = DB::table('rates')->where('currency', $currency->code)->whereBetween('date', [$from, $to])->orderBy('date');

        return array_values(array_map(
            static fn (stdClass $row): DatedRate => new DatedRate(Rate::of($currency, $row->rate, Quote::from($row->quoted)), $row->date),
            $rows->get()->all(),
        ));
    }

    /** @return list<stdClass> the latest days first */
    public function all(): array
    {
        return array_values(DB::table('rates')->orderByDesc('date')->orderBy('currency')->get()->all());
    }

    /** @throws Refusal */
    private function serving(Currency $currency, string $date): DatedRate
    {
        $days = $this->settings->on($date)->whole(Setting::RateDays);

        return DatedRate::serving($this->last($currency, '<=', $date), $currency, $date, $days);
    }

    private function last(Currency $currency, string $until, string $date): ?DatedRate
    {
        $row = DB::table('rates')->where('currency', $currency->code)->where('date', $until, $date)->orderByDesc('date')->first();

        return $row === null ? null : new DatedRate(Rate::of($currency, $row->rate, Quote::from($row->quoted)), $row->date);
    }
}
