<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;

/** A line of a correction besides the one on the control account. */
final readonly class CounterLine
{
    /** @param  Money  $base signed, base currency */
    public function __construct(public Account $account, public Money $base) {}
}
