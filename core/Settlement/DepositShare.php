<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\CarryingAmount;
use Ajuste\Core\Subledger\OpenItem;

/**
 * A deposit and the tax that was booked on it when it was received (R2): 1,210.00 = 1,000.00 + 210.00. Whatever is used of it takes its
 * share of the tax along, so that the parts add up to the whole. Of any other credit the tax is nil.
 */
final readonly class DepositShare
{
    /** Deposit and tax, in the deposit's currency. */
    private int $whole;

    /** @param  int  $tax booked on all of it, minor units of base currency */
    public function __construct(private OpenItem $deposit, private int $tax)
    {
        $this->whole =
            $deposit->amount->minor + ($tax === 0 ? 0 : Rounding::proportion($deposit->amount->minor, $tax, $deposit->base->minor));
    }

    /** What is open with its tax, in the deposit's currency. */
    public function openGross(): Money
    {
        return $this->gross($this->deposit->takeable);
    }

    /** What a part of the deposit comes to with its tax, in the deposit's currency. */
    public function gross(Money $net): Money
    {
        return Money::ofMinor($this->share($this->whole, $net->minor), $net->currency);
    }

    /** The tax of a part of the deposit, base currency. */
    public function tax(Money $net): Money
    {
        return Money::ofMinor($this->share($this->tax, $net->minor), $this->deposit->base->currency);
    }

    /** As much of the deposit as its gross fits into an amount. */
    public function within(Money $gross): Money
    {
        $net = Rounding::proportion($gross->minor, $this->deposit->amount->minor, $this->whole);

        return Money::ofMinor(min($this->deposit->takeable->minor, $net), $gross->currency);
    }

    /**
     * The part of the deposit that comes to exactly this amount with its tax.
     *
     * @throws Refusal when it is not above zero, more than is open, or no part comes to exactly that
     */
    public function ofGross(Money $gross): Money
    {
        $title = $this->deposit->title();
        if (! $gross->isPositive() || $gross->isMoreThan($this->openGross())) {
            $open = "{$this->openGross()->grouped()} {$gross->currency->code}";
            throw new Refusal("{$title} has {$open} open; an amount above zero and up to that is expected.");
        }
        $near = $this->within($gross)->minor;
        foreach ([$near, $near + 1, $near - 1] as $net) {
            if ($net > 0 && $net <= $this->deposit->takeable->minor && $this->share($this->whole, $net) === $gross->minor) {
                return Money::ofMinor($net, $gross->currency);
            }
        }
        $instead = $this->gross(Money::ofMinor($near, $gross->currency))->grouped();
        throw new Refusal("{$title}: {$gross->grouped()} cannot be shared into deposit and tax to the minor unit. Type {$instead}.");
    }

    private function share(int $of, int $net): int
    {
        $amount = $this->deposit->amount->minor;

        $matched = $this->deposit->position->allMatched;

        return CarryingAmount::movedBy($of, $amount, $matched, Rounding::proportion($of, $matched, $amount), $net);
    }
}
