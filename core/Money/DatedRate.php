<?php

declare(strict_types=1);

namespace Ajuste\Core\Money;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Refusal;

/** A rate with the day that it was quoted for. The last one on or before a day serves, if it is not too old (R9). */
final readonly class DatedRate
{
    public function __construct(public Rate $rate, public string $date) {}

    /**
     * @param ?self $last the last rate dated on or before the day; null when there is none
     * @param int $days how old it may be
     *
     * @throws Refusal when there is none, or it is older; currency and dates are named
     */
    public static function serving(?self $last, Currency $currency, string $day, int $days): self
    {
        if ($last === null || Day::between($last->date, $day) > $days) {
            $found = $last === null ? 'there is none before it' : "the last is of {$last->date}";
            throw new Refusal(
                "There is no rate of {$currency->code} for {$day}: {$found}, and {$days} days are the limit. Hand in rates.csv with one, "
                    .'then try again.',
            );
        }

        return $last;
    }
}
