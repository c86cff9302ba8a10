<?php

declare(strict_types=1);

namespace Ajuste\Core\Currency;

use Ajuste\Core\Money\Money;

/** What is open in one currency. Base currency where nothing else is said, debit-positive. */
final readonly class CurrencySum
{
    /**
     * @param Money $open in the currency itself
     * @param Money $gains nil or above
     * @param Money $losses nil or below
     */
    public function __construct(
        public ClosingRate $rate,
        public Money $open,
        public Money $carried,
        public Money $at,
        public Money $gains,
        public Money $losses,
    ) {}

    public static function nil(ClosingRate $rate, Money $nil): self
    {
        return new self($rate, Money::zero($rate->now->rate->currency), $nil, $nil, $nil, $nil);
    }

    public function with(Revalued $of): self
    {
        $nil = Money::zero($of->change->currency);

        return new self(
            $this->rate,
            $this->open->plus($of->of->open()),
            $this->carried->plus($of->of->carried),
            $this->at->plus($of->at),
            $this->gains->plus(Money::most($of->change, $nil)),
            $this->losses->plus(Money::least($of->change, $nil)),
        );
    }
}
