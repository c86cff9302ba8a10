<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;

/** A line of a bank statement. */
final readonly class BankLine
{
    public function __construct(
        public int $id,
        public int $accountId,
        public string $bookingDate,
        public string $valueDate,
        public Money $amount,
        public Money $charges,
        public string $reference,
        public string $party,
        public string $partyAccount,
        public string $remittance,
    ) {}

    public function text(): string
    {
        return trim("{$this->party} {$this->remittance}");
    }
}
