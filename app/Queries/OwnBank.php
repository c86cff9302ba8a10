<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;

/** A bank account of one's own. */
final readonly class OwnBank
{
    /** @param  string  $number as the bank knows it, mostly an IBAN */
    public function __construct(public Account $account, public string $number) {}
}
