<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Brick\Math\BigDecimal;
use Brick\Math\Exception\MathException;
use Brick\Math\RoundingMode;

/** A quantity and the price of one, as the invoice has them; exact decimals. */
final readonly class Quantity
{
    public function __construct(public string $quantity, public string $price) {}

    /**
     * So much of the quantity goes back: quantity × price, rounded half away from zero.
     *
     * @throws Refusal when one of them is no number from zero up
     */
    public function returned(string $quantity, Currency $currency): Money
    {
        return self::money(self::number($quantity, 'quantity')->multipliedBy(self::number($this->price, 'price')), $currency);
    }

    /**
     * The price was too high: quantity × (price − what it should have been), rounded half away from zero; below zero where the new price
     * is higher.
     *
     * @throws Refusal when one of them is no number from zero up
     */
    public function repriced(string $price, Currency $currency): Money
    {
        $less = self::number($this->price, 'price')->minus(self::number($price, 'price'));

        return self::money(self::number($this->quantity, 'quantity')->multipliedBy($less), $currency);
    }

    private static function number(string $typed, string $what): BigDecimal
    {
        $plain = preg_match('/^\d+(,\d+)?$/D', trim($typed)) === 1 ? str_replace(',', '.', trim($typed)) : trim($typed);
        try {
            $number = BigDecimal::of($plain);
        } catch (MathException) {
            throw new Refusal("“{$typed}” is not a {$what}; a number such as 12 or 3.50 is expected.");
        }

        return $number->isNegative() ? throw new Refusal("“{$typed}” is not a {$what}; type it without a minus.") : $number;
    }

    private static function money(BigDecimal $amount, Currency $currency): Money
    {
        return Money::ofMinor($amount->withPointMovedRight($currency->decimals)->toScale(0, RoundingMode::HALF_UP)->toInt(), $currency);
    }
}
