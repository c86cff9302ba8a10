<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/** Which output tax comes off along with a discount or a deduction (R2, R4, R5). What is not known is not guessed. */
final readonly class Relief
{
    /**
     * @param bool $onDiscounts whether the books claim it on discounts
     * @param array<string, list<TaxedLine>> $lines of the invoices, by document
     */
    public function __construct(private bool $onDiscounts, private array $lines) {}

    /** @param  Money  $base what the discount carries, base currency */
    public function ofDiscount(OpenItem $invoice, Money $base): Money
    {
        return $this->onDiscounts ? $this->within($invoice, $base) : Money::zero($base->currency);
    }

    /**
     * In the invoice's own mix of rates; without an invoice at the reason's rate.
     *
     * @param Money $base what the deduction carries, base currency
     */
    public function ofDeduction(Deduction $deduction, Money $base): Money
    {
        return match (true) {
            ! $deduction->reason->taxRelief => Money::zero($base->currency),
            $deduction->invoice !== null => $this->within($deduction->invoice, $base),
            default => Money::ofMinor(
                $deduction->reason->rate === '' ? 0 : TaxRelief::atRate($base->minor, $deduction->reason->rate),
                $base->currency,
            ),
        };
    }

    private function within(OpenItem $invoice, Money $base): Money
    {
        return Money::ofMinor(TaxRelief::within($base->minor, $this->lines[$invoice->document] ?? []), $base->currency);
    }
}
