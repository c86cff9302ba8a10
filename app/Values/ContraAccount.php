<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Ledger\Account;

/** The account on the other side, as a person chose it, and the tax within what goes there. */
final readonly class ContraAccount
{
    /** @param  string  $taxRate percent; blank: none */
    public function __construct(public Account $account, public string $taxRate = '') {}
}
