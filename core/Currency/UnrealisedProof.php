<?php

declare(strict_types=1);

namespace Ajuste\Core\Currency;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;

/** What revaluations less all that was given back left on an unrealised account, and what open items carry of it (R9). */
final readonly class UnrealisedProof
{
    /**
     * @param Money $posted on the account so far, base currency, a gain above zero
     * @param Money $carried by open items, base currency, a gain above zero
     */
    public function __construct(public string $currency, public Account $account, public Money $posted, public Money $carried) {}

    public function difference(): Money
    {
        return $this->posted->minus($this->carried);
    }
}
