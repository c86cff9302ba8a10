<?php

declare(strict_types=1);

namespace Ajuste\Core\Measures;

use Ajuste\Core\Money\Money;
use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/**
 * The measures of one period (R15). Balance and sales both with tax; results with one decimal, half away from zero. Common practice; the
 * count-back form takes the latest sales first.
 */
final readonly class Measures
{
    /**
     * @param Money $opening what customers owed before the period, base currency
     * @param Money $closing what they owe at its end
     * @param Money $current what of that is not due
     * @param non-empty-list<MonthOfSales> $months the period itself first, then those before it
     */
    public function __construct(
        private Money $opening,
        private Money $closing,
        private Money $current,
        private array $months,
        private DaysToPay $paid,
    ) {}

    /** @return list<Measure> */
    public function all(): array
    {
        [$sales, $days] = [$this->months[0]->sales, $this->months[0]->days];
        $ofSales = static fn (string $what, Money $of): array => [
            $what => $of->decimal(), 'sales' => $sales->decimal(), 'days' => (string) $days,
        ];
        $collected = $this->opening->plus($sales)->minus($this->closing);
        $collectable = $this->opening->plus($sales)->minus($this->current);

        return [
            new Measure(MeasureKind::Dso, self::times($this->closing, $sales, $days), $ofSales('balance', $this->closing)),
            $this->countBack(),
            new Measure(MeasureKind::BestPossibleDso, self::times($this->current, $sales, $days), $ofSales('not_due', $this->current)),
            new Measure(MeasureKind::AverageDaysLate, $this->paid->average(), ['paid' => $this->paid->amount($this->closing)->decimal()]),
            new Measure(MeasureKind::CollectionEffectiveness, self::times($collected, $collectable, 100), [
                'opening' => $this->opening->decimal(),
                'sales' => $sales->decimal(),
                'closing_total' => $this->closing->decimal(),
                'closing_current' => $this->current->decimal(),
            ]),
        ];
    }

    /** The balance is taken to be of the latest sales; where all known sales do not make it, the days of all of them are said. */
    private function countBack(): Measure
    {
        $left = $this->closing;
        $days = BigRational::zero();
        $figures = ['balance' => $left->decimal()];
        foreach ($this->months as $month) {
            if (! $left->isPositive()) {
                break;
            }
            $figures["sales {$month->name}"] = $month->sales->decimal();
            if ($month->sales->isPositive()) {
                $part = Money::least($left, $month->sales);
                $days = $days->plus(BigRational::of($part->minor)->multipliedBy($month->days)->dividedBy($month->sales->minor));
                $left = $left->minus($part);
            } else {
                $days = $days->plus($month->days);
            }
        }

        return new Measure(MeasureKind::DsoCountBack, self::rounded($days), $figures);
    }

    private static function times(Money $of, Money $by, int $times): ?BigDecimal
    {
        return $by->isPositive() ? self::rounded(BigRational::of($of->minor)->multipliedBy($times)->dividedBy($by->minor)) : null;
    }

    private static function rounded(BigRational $value): BigDecimal
    {
        return $value->toScale(1, RoundingMode::HALF_UP);
    }
}
