<?php

declare(strict_types=1);

namespace Ajuste\Core\Currency;

use Ajuste\Core\Calendar\Calendar;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\RunChoices;

/** Every open foreign item, debit and credit alike, stands at closing rate × open amount (R9; IAS 21 from memory). */
final readonly class Revaluation
{
    public function __construct(
        private ChartOfAccounts $accounts,
        private Currency $base,
        private CurrencyPolicy $policy,
        private Calendar $calendar,
    ) {}

    /**
     * @param iterable<ForeignItem> $items open ones of the control account as of the day
     * @param array<string, ClosingRate> $rates by currency code
     *
     * @throws Refusal when a rate is more than 10 % from the last one and nobody has accepted it
     */
    public function plan(Account $control, string $asOf, iterable $items, array $rates, RunChoices $choices): CurrencyPlan
    {
        self::refuseDoubtful($rates);
        $lines = $left = $sums = [];
        foreach ($items as $of) {
            $rate = $rates[$of->item->open->currency->code];
            $revalued = new Revalued($of, $rate, $rate->now->rate->toBase($of->open(), $this->base));
            $code = $of->item->open->currency->code;
            $sums[$code] = ($sums[$code] ?? CurrencySum::nil($rate, Money::zero($this->base)))->with($revalued);
            $why = $choices->left[$of->item->id] ?? null;
            if ($revalued->change->isZero()) {
                continue;
            }
            if ($why === null) {
                $lines[] = $revalued;
            } else {
                $left[] = new LeftOut(
                    $of->customer, $of->item->id, $of->item->document, $of->open(), $revalued->change, "left out: {$why}", leftByHand: true,
                );
            }
        }
        $dayOne = $this->policy === CurrencyPolicy::Reverse ? $this->calendar->containing($asOf)->dayAfter() : null;

        return new CurrencyPlan($this->accounts, $control, $asOf, $this->base, $lines, $left, $sums, $dayOne);
    }

    /** @param  array<string, ClosingRate>  $rates */
    private static function refuseDoubtful(array $rates): void
    {
        $doubtful = array_filter($rates, static fn (ClosingRate $rate): bool => $rate->isDoubtful());
        if ($doubtful !== []) {
            $says = array_map(
                static fn (ClosingRate $rate): string => "{$rate->words()} is more than 10 % from {$rate->before?->rate->value} of "
                    .$rate->before?->date,
                array_values($doubtful),
            );
            throw new Refusal(implode('; ', $says).'. Say that it is right, or hand in the right one.');
        }
    }
}
