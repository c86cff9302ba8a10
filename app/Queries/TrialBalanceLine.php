<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;

/** An account with its balance; one that carries customers also with how it ties to them. */
final readonly class TrialBalanceLine
{
    public function __construct(public Account $account, public Money $balance, public int $postings, public ?ProofLineFigures $tie) {}
}
