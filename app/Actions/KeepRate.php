<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Currency\ClosingRate;
use Ajuste\Core\Money\DatedRate;
use Ajuste\Core\Money\Rate;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\Rates;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use Illuminate\Support\Facades\DB;

/** A rate that a person types, with a reason (R9). What was there before stays in the trail. */
final readonly class KeepRate
{
    public function __construct(private Settings $settings, private Rates $rates, private Actor $actor, private AuditTrail $audit) {}

    /**
     * @param bool $isMeant the person has said that a rate far from the last one is right
     *
     * @throws Refusal when the day is locked, no reason is given, or the rate is more than 10 % from the last and nobody said that it is
     *                 meant
     */
    public function post(string $key, Rate $rate, string $day, string $reason, bool $isMeant): void
    {
        Once::for($key, function () use ($rate, $day, $reason, $isMeant): int {
            $why = Reason::of($reason, 'A typed rate needs a reason: where it comes from.');
            $this->settings->locked()->refuse($day, 'The rate');
            $code = $rate->currency->code;
            if ($code === $this->settings->base()->code) {
                throw new Refusal("The books are kept in {$code}; it has no rate.");
            }
            $now = new ClosingRate(new DatedRate($rate, $day), $this->rates->before($rate->currency, $day), $isMeant);
            if ($now->isDoubtful()) {
                throw new Refusal(
                    "{$now->words()} is more than 10 % from {$now->before?->rate->value} of {$now->before?->date}. "
                        .'Tick that it is meant, or correct it.',
                );
            }
            $had = DB::table('rates')->where(['currency' => $code, 'date' => $day])->first();
            DB::table('rates')->updateOrInsert(['currency' => $code, 'date' => $day], [
                'rate' => (string) $rate->value, 'quoted' => $rate->quote->value, 'source' => "{$this->actor->who}: {$why}",
            ]);
            $this->audit->record('type rate', "rate {$code} {$day}", $why, [
                'rate' => (string) $rate->value, 'quoted' => $rate->quote->value, 'before' => $had->rate ?? '',
            ]);

            return 1;
        });
    }
}
