<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;

/** Control account, customers' total and their difference, as of a day. */
final readonly class ProofLineFigures
{
    public Money $difference;

    public Money $ledgerAsImported;

    public function __construct(
        public Account $account,
        public string $asOf,
        public Money $control,
        public Money $ownVouchers,
        public Money $customers,
    ) {
        $this->difference = $control->minus($customers);
        $this->ledgerAsImported = $control->minus($ownVouchers);
    }
}
