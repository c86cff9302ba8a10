<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

use Ajuste\Core\Ledger\Account;

/** Whose credit balances are presented, as of which day, and what is netted. */
final readonly class PresentationTerms
{
    public function __construct(public Account $control, public string $asOf, public CreditBalancePolicy $policy) {}
}
