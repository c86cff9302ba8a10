<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Calendar\Terms;
use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** Early payment discount of one invoice (R4). Amounts are minor units of the invoice's currency. */
final readonly class EarlyPaymentDiscount
{
    private function __construct(
        public Terms $terms,
        public string $documentDate,
        public int $graceDays,
        private ?DiscountDecision $decision,
    ) {}

    /**
     * @param ?DiscountDecision $decision of a person on this invoice; it stands above the terms' days
     * @return ?self null when the terms offer no discount
     */
    public static function of(Terms $terms, string $documentDate, int $graceDays = 0, ?DiscountDecision $decision = null): ?self
    {
        return $terms->discountPercent === null ? null : new self($terms, $documentDate, $graceDays, $decision);
    }

    /** The last value date of the bank on which the discount holds; the match date never matters. Null: it was granted whatever the day. */
    public function lastDay(): ?string
    {
        return match ($this->decision?->choice) {
            DiscountChoice::Grant => null,
            DiscountChoice::Deny => '',
            DiscountChoice::Until => $this->decision->until,
            null => Day::plus($this->documentDate, $this->terms->discountDays + $this->graceDays),
        };
    }

    public function holdsOn(string $valueDate): bool
    {
        $last = $this->lastDay();

        return $last === null || $valueDate <= $last;
    }

    /**
     * round(basis × P). 1,210.00 at 2 % is 24.20.
     *
     * @param int $basis gross less credit notes and accepted deductions
     */
    public function whole(int $basis): int
    {
        return $this->percent()->multipliedBy($basis)->toScale(0, RoundingMode::HALF_UP)->toInt();
    }

    /**
     * What part payments have settled so far: round(cash ÷ (1 − P)), and the basis once cash reaches basis − round(basis × P).
     * Cash 500.00 at 2 % settles 510.20.
     *
     * @param int $cash all that was paid within the time, this payment included
     */
    public function settledBy(int $cash, int $basis): int
    {
        if ($cash >= $basis - $this->whole($basis)) {
            return $basis;
        }

        return BigRational::of($cash)
            ->dividedBy(
                $this->percent()
                    ->multipliedBy(-1)
                    ->plus(1),
            )
            ->toScale(0, RoundingMode::HALF_UP)
            ->toInt();
    }

    /**
     * The discount that settling the rest of the invoice takes along.
     *
     * @param int $open still open
     * @param int $basis gross less credit notes and accepted deductions
     * @param int $cash paid within the time so far; a discount that came with it is no cash
     */
    public function onTheRest(int $open, int $basis, int $cash): int
    {
        return $open > $basis ? 0 : max(0, min($open, $open - ($basis - $this->whole($basis) - $cash)));
    }

    /**
     * The discount that goes with settling a part of an invoice: the part less the least cash that settles so much. At 2 %, 510.20 takes
     * 10.20.
     *
     * @param int $settles the part, discount included
     * @param int $paid cash within the time before it
     */
    public function onPart(int $settles, int $basis, int $paid): int
    {
        $before = $this->settledBy($paid, $basis);
        $cash = max(0, $settles - $this->whole($settles) - 2);
        while ($this->settledBy($paid + $cash, $basis) - $before < $settles && $cash < $settles) {
            $cash++;
        }

        return $settles - $cash;
    }

    /**
     * What forgoing the discount costs as a yearly rate in percent, to two decimals: P ÷ (1 − P) × 365 ÷ (net days − discount days).
     * 2/10 net 30:
     * 37.24 (handbook value 37.2 %).
     */
    public function yearlyCostSimple(): string
    {
        return (string) $this->periodCost()->multipliedBy(36500)->dividedBy($this->daysGained())->toScale(2, RoundingMode::HALF_UP);
    }

    /** The same compounded: (1 + P ÷ (1 − P)) ^ (365 ÷ days) − 1. 2/10 net 30: 44.59 (handbook value 44.6 %). */
    public function yearlyCostCompound(): string
    {
        return number_format(100 * ((1 + $this->periodCost()->toFloat()) ** (365 / $this->daysGained()) - 1), 2, '.', '');
    }

    private function daysGained(): int
    {
        return max(1, $this->terms->netDays - $this->terms->discountDays);
    }

    private function periodCost(): BigRational
    {
        return $this->percent()->dividedBy(
            $this->percent()
                ->multipliedBy(-1)
                ->plus(1),
        );
    }

    private function percent(): BigRational
    {
        return BigRational::of(BigDecimal::of((string) $this->terms->discountPercent))->dividedBy(100);
    }
}
