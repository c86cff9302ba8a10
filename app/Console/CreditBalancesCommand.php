<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Run\RunKind;

final class CreditBalancesCommand extends RunCommand
{
    protected const KIND = RunKind::CreditBalances;

    protected $signature = 'ajuste:credit-balances {--account=} {--as-of=} {--json}';

    protected $description = 'Credit balances that would be shown as a liability';

    /** What is shown as a liability is said above zero. */
    protected function said(Money $amount): string
    {
        return $amount->negated()->decimal();
    }
}
