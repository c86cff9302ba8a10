<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;

/** A posting of the books that a statement line may confirm. */
final readonly class StandingPosting
{
    /**
     * @param Money $base signed, base currency, debit-positive
     * @param Money $amount the same in the currency in which it was posted
     */
    public function __construct(
        public int $id,
        public Account $account,
        public Money $base,
        public Money $amount,
        public string $entry,
        public string $document,
        public string $customer,
    ) {}
}
