<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/** Open items that the policy nets. Amounts are minor units, debit-positive. */
final class CreditGroup
{
    private int $amount = 0;

    public int $base = 0;

    private bool $oneCurrency = true;

    public function __construct(public readonly Standing $first) {}

    public function add(Standing $standing): void
    {
        $this->amount += $standing->amount;
        $this->base += $standing->base;
        $this->oneCurrency = $this->oneCurrency && $standing->currency->is($this->first->currency);
    }

    /** As a liability: in its currency, or in base where several are netted. */
    public function presented(CreditBalancePolicy $policy, Currency $base, string $why): PresentedCredit
    {
        $byItem = $policy === CreditBalancePolicy::Item;
        $carried = Money::ofMinor(-$this->base, $base);

        return new PresentedCredit(
            $this->first->customer,
            $byItem ? $this->first->itemId : null,
            $byItem ? $this->first->document : '',
            $this->oneCurrency ? Money::ofMinor(-$this->amount, $this->first->currency) : $carried,
            $carried,
            $why,
        );
    }
}
