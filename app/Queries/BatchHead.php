<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Settlement\PaymentWay;

/** What all receipts of a batch have in common. */
final readonly class BatchHead
{
    /** @param  Account  $account the money account */
    public function __construct(public string $reference, public PaymentWay $way, public Account $account, public string $date) {}
}
