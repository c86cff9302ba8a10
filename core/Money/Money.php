<?php

declare(strict_types=1);

namespace Ajuste\Core\Money;

use Ajuste\Core\Refusal;

/**
 * An exact amount: whole minor units of one currency. Signed; in the ledger's sense a debit is positive.
 */
final readonly class Money
{
    /** Figures of one amount, minor units included. Sums of a thousand such amounts still fit 64 bits. */
    public const MAX_DIGITS = 15;

    private function __construct(public int $minor, public Currency $currency) {}

    public static function ofMinor(int $minor, Currency|string $currency): self
    {
        return new self($minor, is_string($currency) ? Currency::of($currency) : $currency);
    }

    public static function zero(Currency|string $currency): self
    {
        return self::ofMinor(0, $currency);
    }

    /**
     * @param iterable<self> $amounts
     *
     * @throws Refusal when one is in another currency
     */
    public static function sum(iterable $amounts, Currency|string $currency): self
    {
        $sum = self::zero($currency);
        foreach ($amounts as $amount) {
            $sum = $sum->plus($amount);
        }

        return $sum;
    }

    /** @throws Refusal when the currencies differ */
    public static function least(self $one, self $other): self
    {
        return $other->isLessThan($one) ? $other : $one;
    }

    /** @throws Refusal when the currencies differ */
    public static function most(self $one, self $other): self
    {
        return $other->isMoreThan($one) ? $other : $one;
    }

    /**
     * Reads the house format: a point, at most the currency's decimals, an optional leading minus. `12`, `12.5` and
     * `12.50` are the same in EUR; `12.505` is refused, nothing is rounded away.
     *
     * @throws Refusal when the text is not such an amount or has more than MAX_DIGITS figures
     */
    public static function parse(string $text, Currency|string $currency): self
    {
        $currency = is_string($currency) ? Currency::of($currency) : $currency;
        if (preg_match('/^(-?)(\d+)(?:\.(\d+))?$/D', $text, $part) !== 1) {
            throw new Refusal(
                "“{$text}” is not an amount; figures with a decimal point are expected, such as ".self::example($currency).'.',
            );
        }
        $fraction = rtrim($part[3] ?? '', '0');
        if (strlen($fraction) > $currency->decimals) {
            throw new Refusal("“{$text}” has more decimals than {$currency->code} has ({$currency->decimals}).");
        }
        $digits = ltrim($part[2].str_pad($fraction, $currency->decimals, '0'), '0');
        if (strlen($digits) > self::MAX_DIGITS) {
            throw new Refusal("“{$text}” is too large; at most ".self::MAX_DIGITS.' figures are taken.');
        }

        return new self($part[1] === '-' ? -(int) $digits : (int) $digits, $currency);
    }

    private static function example(Currency $currency): string
    {
        return self::ofMinor(123456 * $currency->minorPerUnit() + intdiv($currency->minorPerUnit(), 2), $currency)->decimal();
    }

    /** @throws Refusal when the currencies differ */
    public function plus(self $other): self
    {
        return $this->same($other)->minor === 0 ? $this : new self($this->minor + $other->minor, $this->currency);
    }

    /** @throws Refusal when the currencies differ */
    public function minus(self $other): self
    {
        return $this->same($other)->minor === 0 ? $this : new self($this->minor - $other->minor, $this->currency);
    }

    public function negated(): self
    {
        return new self(-$this->minor, $this->currency);
    }

    public function abs(): self
    {
        return $this->minor < 0 ? $this->negated() : $this;
    }

    public function isZero(): bool
    {
        return $this->minor === 0;
    }

    public function isPositive(): bool
    {
        return $this->minor > 0;
    }

    public function isNegative(): bool
    {
        return $this->minor < 0;
    }

    /** @throws Refusal when the currencies differ */
    public function isMoreThan(self $other): bool
    {
        return $this->minor > $this->same($other)->minor;
    }

    /** @throws Refusal when the currencies differ */
    public function isLessThan(self $other): bool
    {
        return $this->minor < $this->same($other)->minor;
    }

    public function isIn(Currency $currency): bool
    {
        return $this->currency->code === $currency->code;
    }

    /**
     * The share of this amount that goes with a part of a whole: round(this × part ÷ whole), half away from zero. Part and whole are
     * of one currency, which may be another one than this amount's.
     *
     * @throws Refusal when part and whole are of different currencies
     */
    public function share(self $part, self $whole): self
    {
        return new self(Rounding::proportion($this->minor, $whole->same($part)->minor, $whole->minor), $this->currency);
    }

    /**
     * Parts in the proportion of the weights, adding up to this amount (Rounding::split).
     *
     * @param non-empty-list<int> $weights
     * @return non-empty-list<self>
     */
    public function split(array $weights): array
    {
        return array_map(fn (int $part): self => new self($part, $this->currency), Rounding::split($this->minor, $weights));
    }

    public function equals(self $other): bool
    {
        return $this->minor === $other->minor && $this->currency->code === $other->currency->code;
    }

    /** The house format, without grouping: `-1234.50`. */
    public function decimal(): string
    {
        return self::decimalOf($this->minor, $this->currency->decimals);
    }

    /** `decimal()` for loops over many amounts, without an object for each. */
    public static function decimalOf(int $minor, int $decimals): string
    {
        if ($decimals === 0) {
            return (string) $minor;
        }
        $digits = str_pad((string) abs($minor), $decimals + 1, '0', STR_PAD_LEFT);

        return ($minor < 0 ? '-' : '').substr($digits, 0, -$decimals).'.'.substr($digits, -$decimals);
    }

    /** For people to read: `−1,234.50`, thousands grouped, with a minus sign and not a hyphen. */
    public function grouped(): string
    {
        $parts = explode('.', $this->abs()->decimal());
        $parts[0] = (string) preg_replace('/\B(?=(\d{3})+$)/', ',', $parts[0]);

        return ($this->minor < 0 ? '−' : '').implode('.', $parts);
    }

    private function same(self $other): self
    {
        if ($other->currency->code !== $this->currency->code) {
            throw new Refusal("{$this->currency->code} and {$other->currency->code} cannot be added; convert one of them first.");
        }

        return $other;
    }
}
