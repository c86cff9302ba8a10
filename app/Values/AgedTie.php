<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Aging\AgedSums;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;

/** A control account beside the aged list of it. */
final readonly class AgedTie
{
    /** What the control account has beyond the list, base currency; nil when they tie. */
    public Money $difference;

    /** @param  Money  $control balance, debit-positive */
    public function __construct(public Account $account, public Money $control, AgedSums $sums)
    {
        $this->difference = $sums->difference($control);
    }
}
