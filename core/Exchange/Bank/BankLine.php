<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Money;

/** One movement on a bank account. Above zero money came in, below zero it went out. */
final readonly class BankLine
{
    /**
     * @param ?Money $charges what the bank kept back of it, positive
     * @param string $reference the bank's own
     * @param string $party the other side's name
     * @param string $remittance what the payer wrote; structured references are in it too
     * @param bool $isReversal an entry that takes back an earlier one, or a payment that came back
     */
    public function __construct(
        public string $bookingDate,
        public string $valueDate,
        public Money $amount,
        public ?Money $charges,
        public string $reference,
        public string $endToEnd,
        public string $party,
        public string $partyAccount,
        public string $remittance,
        public bool $isReversal,
    ) {}
}
