<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** The discounts that a settlement takes, measured by the money that pays for each invoice (R4). */
final readonly class TakenDiscounts
{
    /**
     * @param list<Tick> $ticks what each item takes, discounts included
     * @param array<int, Money> $discounts by item id
     */
    private function __construct(public array $ticks, public array $discounts) {}

    /**
     * @param list<Tick> $ticks what each item is to take
     * @param array<int, DiscountOffer> $wanted offers of the items whose discount is taken, by item id
     * @param list<DatedMoney> $money the credits, in the order in which they are used
     * @param list<Deduction> $accepted
     * @param string $valueDate that counts where no money is used at all
     * @param list<int> $giving items that settle only what the money reaches
     *
     * @throws Refusal where an item offers none
     */
    public static function of(array $ticks, array $wanted, array $money, array $accepted, string $valueDate, array $giving): self
    {
        $measure = new DiscountMeasure($money);
        $taken = $discounts = [];
        foreach ($ticks as $tick) {
            $offer = $wanted[$tick->item->id] ?? null;
            if (! $tick->item->isDebit()) {
                $taken[] = $tick;
            } elseif ($offer === null) {
                $measure->use($tick->amount);
                $taken[] = $tick;
            } else {
                $of = $measure->discounted($offer, $tick->amount, self::owedLess($tick, $accepted), $valueDate);
                $gives = in_array($tick->item->id, $giving, true) && $of->missing->isPositive();
                self::refuseNone($tick, $of, $offer, $money, $gives);
                $taken[] = $gives ? new Tick($tick->item, $of->settled) : $tick;
                $discounts[$tick->item->id] = $of->discount;
            }
        }

        return new self($taken, $discounts);
    }

    /** @param  list<Deduction>  $accepted */
    private static function owedLess(Tick $tick, array $accepted): Money
    {
        $of = array_filter($accepted, static fn (Deduction $deduction): bool => $deduction->invoice?->id === $tick->item->id);

        return Money::sum(array_map(static fn (Deduction $deduction): Money => $deduction->amount, $of), $tick->amount->currency);
    }

    /** @param  list<DatedMoney>  $money */
    private static function refuseNone(Tick $tick, Discounted $of, DiscountOffer $offer, array $money, bool $gives): void
    {
        $forfeited = $gives && $offer->partPayments === PartPayments::Forfeit;
        if ($of->discount->isPositive() && ! $forfeited) {
            return;
        }
        $days = array_unique(array_map(static fn (DatedMoney $of): string => $of->valueDate, $money));
        $part = $forfeited || $tick->amount->isLessThan($tick->item->takeable) ? ' for a part of it' : '';
        $on = $days === [] ? '' : ' on the value date '.implode(', ', $days);
        throw new Refusal(
            "{$tick->item->title()} offers no discount{$on}{$part}. Take it off, or decide the discount of this invoice otherwise.",
        );
    }
}
