<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\Payer;

/** One movement on a bank account. Above zero money came in, below zero it went out. */
final readonly class BankLine
{
    /**
     * @param Payer $payer the other side, and what was written; parts of a text that the statement divides stand on lines of their own
     * @param ?Money $charges what the bank took off the amount, above zero, in the same currency
     * @param bool $isReversal an entry that takes back an earlier one, or a payment that came back
     * @param string $returnReason why it came back, a code of ISO 20022 where the bank gives one; or blank
     */
    public function __construct(
        public string $bookingDate,
        public string $valueDate,
        public Money $amount,
        public BankReferences $references = new BankReferences(),
        public Payer $payer = new Payer('', '', ''),
        public ?Money $charges = null,
        public bool $isReversal = false,
        public string $returnReason = '',
    ) {}
}
