<?php

declare(strict_types=1);

namespace App\Actions\Runs;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Queries\ForeignItems;
use App\Queries\Rates;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** A person says that closing rates which are far from the last ones are right (R9). One that changes afterwards is asked about again. */
final readonly class AcceptRates
{
    public function __construct(private ForeignItems $items, private Rates $rates, private Actor $actor, private AuditTrail $audit) {}

    /** @throws Refusal when none is asked about, or one is missing */
    public function post(string $key, Account $control, string $asOf): void
    {
        Once::for($key, function () use ($control, $asOf): int {
            $accepted = 0;
            foreach ($this->items->currencies($control, $asOf) as $code) {
                $rate = $this->rates->closing(Currency::of($code), $asOf);
                if ($rate->isDoubtful()) {
                    DB::table('rates_accepted')->insert([
                        'currency' => $code,
                        'date' => $rate->now->date,
                        'rate' => (string) $rate->now->rate->value,
                        'quoted' => $rate->now->rate->quote->value,
                        'who' => $this->actor->who,
                        'recorded_at' => Moment::now(),
                    ]);
                    $this->audit->record('accept rate', "rate {$code} {$rate->now->date}", $rate->words());
                    $accepted++;
                }
            }

            return $accepted > 0 ? $accepted : throw Refusal::done('No rate is asked about any more. Look at the run again.');
        });
    }
}
