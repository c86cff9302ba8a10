<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;

/** Money as it came in: a statement line, or a receipt typed by hand. */
final readonly class ReceivedMoney
{
    /**
     * @param Account $account the money account
     * @param string $valueDate the bank's, by which discounts are measured
     * @param Money $credited what the money account gets, base currency: what the bank credited
     * @param Money $charges what a bank deducted on the way, base currency
     */
    public function __construct(
        public int $lineId,
        public Account $account,
        public string $bookingDate,
        public string $valueDate,
        public Money $credited,
        public Money $charges,
        public Payer $payer,
    ) {}

    /** What comes off the customer, base currency. */
    public function base(): Money
    {
        return $this->credited->plus($this->charges);
    }

    /** What the line says, so that a plan for it is never taken for that of another. */
    public function says(): string
    {
        return implode('|', [
            $this->bookingDate,
            $this->valueDate,
            $this->credited->decimal(),
            $this->charges->decimal(),
            $this->payer->name,
            $this->payer->remittance,
        ]);
    }
}
