<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

use Ajuste\Core\Money\Currency;
use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** What the books allow a proposal. */
final readonly class ProposalPolicy
{
    /**
     * @param int $toleranceAmount minor units
     * @param string $tolerancePercent of the receipt; both limits hold
     * @param int $combinationItems most open items among which a combination is sought
     */
    public function __construct(
        public int $toleranceAmount = 100,
        public string $tolerancePercent = '0.5',
        public int $combinationItems = 40,
        public FillOrder $order = FillOrder::OldestDue,
        public int $work = 250_000,
    ) {}

    /**
     * @param string $tolerance a number of units of whatever currency the receipt is in; fractions of a minor unit are let go
     */
    public static function in(Currency $currency, string $tolerance, string $percent, int $combinationItems, FillOrder $order): self
    {
        $minor = BigDecimal::of($tolerance)->multipliedBy($currency->minorPerUnit())->toScale(0, RoundingMode::DOWN)->toInt();

        return new self($minor, $percent, $combinationItems, $order);
    }

    public function withOrder(FillOrder $order): self
    {
        return new self($this->toleranceAmount, $this->tolerancePercent, $this->combinationItems, $order, $this->work);
    }

    public function tolerates(int $difference, int $receipt): bool
    {
        return abs($difference) <= $this->toleranceAmount &&
            BigRational::of(abs($difference))
                ->multipliedBy(100)
                ->isLessThanOrEqualTo(BigRational::of($this->tolerancePercent)->multipliedBy($receipt));
    }
}
