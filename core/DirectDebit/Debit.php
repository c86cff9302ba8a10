<?php

declare(strict_types=1);

namespace Ajuste\Core\DirectDebit;

use Ajuste\Core\Money\Money;
use InvalidArgumentException;

/** One debit that the bank is asked to collect. */
final readonly class Debit
{
    /**
     * @param string $endToEnd names it on every statement and answer
     * @param Money $amount above zero
     * @param string $sequence type of ISO 20022: FRST, RCUR or OOFF
     * @param string $text what it pays
     */
    public function __construct(
        public string $endToEnd,
        public Mandate $mandate,
        public string $sequence,
        public Money $amount,
        public string $text,
    ) {
        if (! $amount->isPositive() || $amount->currency->code !== DirectDebits::CURRENCY) {
            throw new InvalidArgumentException("{$endToEnd} asks for {$amount->grouped()} {$amount->currency->code}.");
        }
    }

    /** Debits of one group are credited as one sum: those of one scheme and sequence. */
    public function group(): string
    {
        return "{$this->mandate->scheme->value}-{$this->sequence}";
    }
}
