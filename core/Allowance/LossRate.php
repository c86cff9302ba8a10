<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;

/** The share of a column that is expected to be lost, in percent, for a group of customers or for all others. */
final readonly class LossRate
{
    private function __construct(public string $group, public string $bucket, public BigDecimal $percent, public string $source) {}

    /**
     * @param string $group blank: all customers whose group has no rate of its own
     * @param string $percent from 0 to 100
     *
     * @throws Refusal when it is no such percentage
     */
    public static function of(string $group, string $bucket, string $percent, string $source = ''): self
    {
        return new self($group, $bucket, self::percent($percent), $source);
    }

    /** @throws Refusal when the text is no percentage from 0 to 100 */
    public static function percent(string $text): BigDecimal
    {
        $value = preg_match('/^\d{1,3}(\.\d{1,6})?$/D', $text) === 1 ? BigDecimal::of($text) : null;

        return $value !== null && $value->isLessThanOrEqualTo(100)
            ? $value
            : throw new Refusal("“{$text}” is not a percentage; a number from 0 to 100 is expected, such as 3.6.");
    }

    /** What of a base is expected to be lost: base × percent ÷ 100, half away from zero at the minor unit. */
    public static function share(BigDecimal $percent, Money $base): Money
    {
        $exact = $percent->multipliedBy($base->minor)->dividedBy(100, 0, RoundingMode::HALF_UP);

        return Money::ofMinor($exact->toInt(), $base->currency);
    }
}
