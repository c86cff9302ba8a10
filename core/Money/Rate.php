<?php

declare(strict_types=1);

namespace Ajuste\Core\Money;

use Ajuste\Core\Refusal;
use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** An exchange rate as it was quoted: an exact decimal and its direction. A quote in units per base is divided by, never inverted. */
final readonly class Rate
{
    private function __construct(public Currency $currency, public BigDecimal $value, public Quote $quote) {}

    /**
     * @param string $value a decimal above zero, with a point
     *
     * @throws Refusal when the value is not a decimal above zero
     */
    public static function of(Currency $currency, string $value, Quote $quote = Quote::BasePerUnit): self
    {
        if (preg_match('/^\d{1,12}(\.\d{1,12})?$/D', $value) !== 1 || BigDecimal::of($value)->isZero()) {
            throw new Refusal("“{$value}” is not a rate; a decimal above zero with a point is expected, such as 1.1540.");
        }

        return new self($currency, BigDecimal::of($value), $quote);
    }

    /** Whether it is more than 10 % from another rate of the currency (R9), each taken as base per unit. */
    public function isFarFrom(self $other): bool
    {
        $change = $this->perUnit()->minus($other->perUnit())->abs();

        return $change->multipliedBy(10)->isGreaterThan($other->perUnit());
    }

    /** Base currency for one unit, exact. */
    public function perUnit(): BigRational
    {
        $value = BigRational::of($this->value);

        return $this->quote === Quote::BasePerUnit ? $value : $value->reciprocal();
    }

    /**
     * Minor units of base for minor units of its currency, where both fit the machine's integers.
     *
     * @return ?array{int, int}
     */
    private function ratio(Currency $base): ?array
    {
        $scale = $this->value->getScale();
        $digits = (string) $this->value->getUnscaledValue();
        if (strlen($digits) > 12 || $scale > 12) {
            return null;
        }
        [$of, $in] = [(int) $digits, 10 ** $scale];

        return $this->quote === Quote::BasePerUnit
            ? [$of * $base->minorPerUnit(), $in * $this->currency->minorPerUnit()]
            : [$in * $base->minorPerUnit(), $of * $this->currency->minorPerUnit()];
    }

    /**
     * The amount in base currency, rounded half away from zero at its minor unit.
     *
     * @throws Refusal when the amount is not in this rate's currency
     */
    public function toBase(Money $amount, Currency $base): Money
    {
        if ($amount->currency->code !== $this->currency->code) {
            throw new Refusal("A rate of {$this->currency->code} cannot convert {$amount->currency->code}.");
        }
        $ratio = $this->ratio($base);
        if ($ratio !== null) {
            return Money::ofMinor(Rounding::proportion($amount->minor, ...$ratio), $base);
        }
        $units = BigRational::of($amount->minor)->multipliedBy($base->minorPerUnit())->dividedBy($this->currency->minorPerUnit());
        $exact = $this->quote === Quote::BasePerUnit ? $units->multipliedBy($this->value) : $units->dividedBy($this->value);

        return Money::ofMinor($exact->toScale(0, RoundingMode::HALF_UP)->toInt(), $base);
    }
}
