<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;

/**
 * How money that came in is split into a receipt and a deposit, and the deposit into net and tax (R2): the parts add up, in its
 * currency and in base. 1,210.00 held as a deposit with 21 % due on payment is 1,000.00 and 210.00 of tax.
 */
final readonly class ReceiptSplit
{
    /**
     * @param Worth $receipt what becomes a receipt; nil when the whole is a deposit
     * @param Worth $deposit what becomes a deposit, tax included, and the tax; nil when there is none
     * @param Money $depositNet what the deposits account carries in the deposit's currency, tax left out
     */
    private function __construct(public Worth $receipt, public Worth $deposit, public Money $depositNet) {}

    /**
     * @param Money $original what comes off the customer, in the currency of the invoices
     * @param Money $base the same in base currency
     * @param Money $deposit what of the original is held as a deposit
     * @param string $taxRate percent of the tax that is due when a deposit is paid; blank: none
     */
    public static function of(Money $original, Money $base, Money $deposit, string $taxRate): self
    {
        $held = $deposit->isZero() ? Money::zero($base->currency) : $base->share($deposit, $original);
        $tax = static fn (Money $gross): Money => Money::ofMinor(
            $taxRate === '' || $gross->isZero() ? 0 : TaxRelief::atRate($gross->minor, $taxRate),
            $gross->currency,
        );

        return new self(
            new Worth($base->minus($held), $original->minus($deposit)),
            new Worth($held, $deposit, $tax($held)),
            $deposit->minus($tax($deposit)),
        );
    }

    /** What the deposit carries on its account, base currency. */
    public function depositBase(): Money
    {
        return $this->deposit->base->minus($this->deposit->tax);
    }
}
