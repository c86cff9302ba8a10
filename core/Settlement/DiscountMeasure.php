<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\SettledBy;

/**
 * Measures discounts by the money that earns them: debits take the credits in their order, and of several credits each earns the
 * discount of its own part by its own value date (R4).
 */
final class DiscountMeasure
{
    /** @var list<DatedMoney> what is left, in order */
    private array $left;

    /** @param  list<DatedMoney>  $money in the order in which it is used */
    public function __construct(array $money)
    {
        $this->left = $money;
    }

    /** A debit without a discount takes its part. */
    public function use(Money $part): void
    {
        while ($part->isPositive() && $this->left !== []) {
            $part = $part->minus($this->take($part));
        }
    }

    /**
     * A debit with a discount takes its part.
     *
     * @param Money $part what is to be settled of it, discount included
     * @param Money $owedLess of that, what accepted deductions take off
     * @param string $valueDate that counts where no money is used at all
     */
    public function discounted(DiscountOffer $offer, Money $part, Money $owedLess, string $valueDate): Discounted
    {
        $none = Money::zero($part->currency);
        $less = $owedLess->plus($this->takeCredits($part->minus($owedLess)));
        $offer = $less->isZero() ? $offer : $offer->owedLess($less);
        $rest = $part->minus($less);
        if ($this->left === []) {
            return new Discounted($part, $offer->holdsOn($valueDate) ? $offer->onPart($rest) : $none, $none);
        }
        $done = $offer->partPayments === PartPayments::Earn ? $this->partByPart($offer, $rest) : $this->atOnce($offer, $rest);

        return new Discounted($done->settled->plus($less), $done->discount, $done->missing);
    }

    /** Each part that is paid in time takes its discount along. */
    private function partByPart(DiscountOffer $offer, Money $rest): Discounted
    {
        $none = Money::zero($rest->currency);
        [$settled, $discount] = [$none, $none];
        while ($rest->isPositive() && $this->left !== []) {
            $next = $this->left[0];
            $earns = $offer->holdsOn($next->valueDate);
            $whole = $earns ? $rest->minus($offer->onPart($rest)) : $rest;
            $cash = $this->take($whole);
            $of = match (true) {
                ! $earns => $cash,
                $cash->equals($whole) => $rest,
                default => Money::least($rest, $offer->settledBy($cash)),
            };
            $offer = $offer->after($earns ? $cash : $none, $of);
            [$settled, $discount, $rest] = [$settled->plus($of), $discount->plus($of->minus($cash)), $rest->minus($of)];
        }

        return new Discounted($settled, $discount, $rest);
    }

    /** The discount is for the whole, and holds if all money that is needed for it came in time. */
    private function atOnce(DiscountOffer $offer, Money $rest): Discounted
    {
        $discount = $offer->onPart($rest);
        $needed = $rest->minus($discount);
        $inTime = true;
        while ($needed->isPositive() && $this->left !== []) {
            $inTime = $inTime && $offer->holdsOn($this->left[0]->valueDate);
            $needed = $needed->minus($this->take($needed));
        }

        return new Discounted($rest, $inTime ? $discount : Money::zero($rest->currency), $needed);
    }

    /** Credit notes lower what is owed, and so the basis of the discount; they are no cash. */
    private function takeCredits(Money $most): Money
    {
        $taken = Money::zero($most->currency);
        $others = array_values(array_filter($this->left, static fn (DatedMoney $money): bool => $money->by !== SettledBy::Credit));
        $this->left = array_values(array_filter($this->left, static fn (DatedMoney $money): bool => $money->by === SettledBy::Credit));
        while ($this->left !== [] && $taken->isLessThan($most)) {
            $taken = $taken->plus($this->take($most->minus($taken)));
        }
        array_push($this->left, ...$others);

        return $taken;
    }

    /** Takes from the next money, at most so much. */
    private function take(Money $most): Money
    {
        $next = $this->left[0];
        $taken = Money::least($most, $next->amount);
        $rest = $next->amount->minus($taken);
        array_splice($this->left, 0, 1, $rest->isZero() ? [] : [new DatedMoney($rest, $next->valueDate, $next->by)]);

        return $taken;
    }
}
