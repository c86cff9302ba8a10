<?php

declare(strict_types=1);

namespace Ajuste\Core\Measures;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;

/** How late a customer usually pays: days between due date and payment, weighted by amount (R15). */
final class DaysToPay
{
    private int $weighted = 0;

    private int $amount = 0;

    /** With one decimal, half away from zero; null while nothing was paid. */
    public function average(): ?BigDecimal
    {
        return $this->rounded(1);
    }

    public function amount(Money $like): Money
    {
        return Money::ofMinor($this->amount, $like->currency);
    }

    /** @param  int  $amount what was paid, minor units of base currency, above zero */
    public function add(string $due, string $paid, int $amount): void
    {
        $this->weighted += Day::between($due, $paid) * $amount;
        $this->amount += $amount;
    }

    /** Whole days, rounded half away from zero; below zero where payments come early. Null while nothing was paid. */
    public function late(): ?int
    {
        return $this->rounded(0)?->toInt();
    }

    private function rounded(int $decimals): ?BigDecimal
    {
        return $this->amount === 0 ? null : BigDecimal::of($this->weighted)->dividedBy($this->amount, $decimals, RoundingMode::HALF_UP);
    }
}
