<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Paid;

/**
 * The early payment discount that one invoice still offers (R4). Offered, shown and posted are all measured here, by the value date of
 * the money that takes it. Amounts are in the invoice's currency.
 */
final readonly class DiscountOffer
{
    /**
     * @param int $basis gross less credit notes and accepted deductions, minor units
     * @param int $cash paid so far, minor units; discounts that came with it are not in it
     */
    private function __construct(
        public EarlyPaymentDiscount $discount,
        public OpenItem $item,
        private int $basis,
        private int $cash,
        public PartPayments $partPayments,
    ) {}

    public static function of(EarlyPaymentDiscount $discount, OpenItem $item, Paid $paid, PartPayments $partPayments): self
    {
        return new self($discount, $item, $item->amount->minus($paid->credited)->minor, $paid->cash->minor, $partPayments);
    }

    public function holdsOn(string $valueDate): bool
    {
        return $this->discount->holdsOn($valueDate);
    }

    /** The discount for settling all that is open by money of one value date; nil where none is offered for it. */
    public function onTheRest(string $valueDate): Money
    {
        return $this->holdsOn($valueDate) ? $this->onWhole($this->item->takeable) : Money::zero($this->item->amount->currency);
    }

    /**
     * The discount of a part that is settled in time: of all that is open, or of less where the policy knows discounts on part payments.
     *
     * @param Money $part discount included
     */
    public function onPart(Money $part): Money
    {
        if (! $part->isLessThan($this->item->takeable)) {
            return $this->onWhole($part);
        }

        return Money::ofMinor(
            $this->partPayments === PartPayments::Earn ? $this->discount->onPart($part->minor, $this->basis, $this->cash) : 0,
            $part->currency,
        );
    }

    /** What so much cash settles, discount included, if it comes in time and the policy knows discounts on part payments. */
    public function settledBy(Money $cash): Money
    {
        $settled =
            $this->discount->settledBy($this->cash + $cash->minor, $this->basis) - $this->discount->settledBy($this->cash, $this->basis);

        return Money::ofMinor($settled, $cash->currency);
    }

    /** The offer after a part was settled: the cash in it counts, the discount in it does not. */
    public function after(Money $cash, Money $settled): self
    {
        $left = $this->item->less($settled, Money::zero($this->item->base->currency));

        return new self($this->discount, $left, $this->basis, $this->cash + $cash->minor, $this->partPayments);
    }

    /** The offer where so much less is owed, by a credit note or an accepted deduction. */
    public function owedLess(Money $amount): self
    {
        $left = $this->item->less($amount, Money::zero($this->item->base->currency));

        return new self($this->discount, $left, $this->basis - $amount->minor, $this->cash, $this->partPayments);
    }

    private function onWhole(Money $open): Money
    {
        $late = $this->cash > 0 && $this->partPayments === PartPayments::Forfeit;

        return Money::ofMinor($late ? 0 : $this->discount->onTheRest($open->minor, $this->basis, $this->cash), $open->currency);
    }
}
