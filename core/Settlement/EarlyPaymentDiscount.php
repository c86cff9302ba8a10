<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Calendar\Terms;
use Ajuste\Core\Money\Rounding;
use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** Early payment discount of one invoice (R4). Amounts are minor units of the invoice's currency. */
final readonly class EarlyPaymentDiscount
{
    private function __construct(public Terms $terms, public string $documentDate, public int $graceDays) {}

    /** @return ?self null when the terms offer no discount */
    public static function of(Terms $terms, string $documentDate, int $graceDays = 0): ?self
    {
        return $terms->discountPercent === null ? null : new self($terms, $documentDate, $graceDays);
    }

    /** The last value date of the bank on which the discount holds; the match date never matters. */
    public function lastDay(): string
    {
        return Day::plus($this->documentDate, $this->terms->discountDays + $this->graceDays);
    }

    public function holdsOn(string $valueDate): bool
    {
        return $valueDate <= $this->lastDay();
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

        return BigRational::of($cash)->dividedBy($this->percent()->multipliedBy(-1)->plus(1))->toScale(0, RoundingMode::HALF_UP)->toInt();
    }

    /**
     * The discount that a payment of the value date would take along if it settled the rest of the invoice; nil when the discount no longer
     * holds, or part of it was paid and the policy knows no discount on part payments.
     *
     * @param int $open still open
     * @param int $basis gross less credit notes and accepted deductions
     * @param int $paid cash matched so far
     */
    public function onTheRest(int $open, int $basis, int $paid, string $valueDate, bool $partPayments): int
    {
        if (! $this->holdsOn($valueDate) || ($paid > 0 && ! $partPayments) || $open > $basis) {
            return 0;
        }

        return max(0, min($open, $open - ($basis - $this->whole($basis) - $paid)));
    }

    /**
     * The tax within a discount, in the invoice's own mix of rates: shared by gross, parts adding up. 24.20 on an invoice wholly at 21 % is 4.20.
     *
     * @param list<TaxedLine> $lines of the invoice; without any there is no relief, it is not guessed
     */
    public static function taxWithin(int $discount, array $lines): int
    {
        $gross = [];
        foreach ($lines as $line) {
            $with = BigRational::of($line->rate)->plus(100)->multipliedBy($line->net)->dividedBy(100)->toScale(0, RoundingMode::HALF_UP)->toInt();
            $gross[] = max(0, $with);
        }
        if (array_sum($gross) === 0 || $gross === []) {
            return 0;
        }
        $byRate = [];
        foreach (Rounding::split($discount, $gross) as $place => $part) {
            $byRate[$lines[$place]->rate] = ($byRate[$lines[$place]->rate] ?? 0) + $part;
        }
        $tax = 0;
        foreach ($byRate as $rate => $part) {
            $tax += BigRational::of($part)->multipliedBy((string) $rate)->dividedBy(BigRational::of((string) $rate)->plus(100))->toScale(0, RoundingMode::HALF_UP)->toInt();
        }

        return $tax;
    }

    /**
     * What forgoing the discount costs as a yearly rate in percent, to two decimals: P ÷ (1 − P) × 365 ÷ (net days − discount days). 2/10 net 30:
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
        return $this->percent()->dividedBy($this->percent()->multipliedBy(-1)->plus(1));
    }

    private function percent(): BigRational
    {
        return BigRational::of(BigDecimal::of((string) $this->terms->discountPercent))->dividedBy(100);
    }
}
