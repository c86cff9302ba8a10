<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Money\DatedRate;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Quote;
use Ajuste\Core\Money\Rate;
use Ajuste\Core\Refusal;
use Illuminate\Support\Facades\DB;

/** Amounts in base currency by the rates of the books. */
final readonly class Rates
{
    public function __construct(private Settings $settings) {}

    /** @throws Refusal when no rate serves on the day */
    public function toBase(Money $amount, string $date): Money
    {
        $base = $this->settings->base();
        if ($amount->currency->code === $base->code) {
            return $amount;
        }
        $row = DB::table('rates')->where('currency', $amount->currency->code)->where('date', '<=', $date)->orderByDesc('date')->first();
        $last = $row === null ? null : new DatedRate(Rate::of($amount->currency, $row->rate, Quote::from($row->quoted)), $row->date);

        return DatedRate::serving($last, $amount->currency, $date, $this->settings->whole(Setting::RateDays))->toBase($amount, $base);
    }
}
