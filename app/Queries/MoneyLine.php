<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;

/** A movement of money: a line of a bank statement, a receipt typed by hand, or a part of either. */
final readonly class MoneyLine
{
    /**
     * @param int $accountId the money account
     * @param Money $amount above zero where money came in
     * @param Money $charges what the bank says that it kept back of it
     * @param string $way statement, cheque, cash or transfer
     * @param ?int $customerId whose it is, where a person said so
     * @param ?int $partOf the line that was divided into this and others
     */
    public function __construct(
        public int $id,
        public int $accountId,
        public string $bookingDate,
        public string $valueDate,
        public Money $amount,
        public Money $charges,
        public string $reference,
        public string $endToEnd,
        public string $party,
        public string $partyAccount,
        public string $remittance,
        public string $way = 'statement',
        public ?int $batchId = null,
        public ?int $customerId = null,
        public ?int $partOf = null,
        public bool $isReversal = false,
    ) {}

    public function text(): string
    {
        return trim("{$this->party} {$this->remittance}");
    }

    public function title(): string
    {
        return $this->text() === '' ? $this->reference : $this->text();
    }
}
