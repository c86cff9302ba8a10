<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;

/** A line of an invoice, with what credit notes and payments left of it. Amounts are minor units of the document's currency. */
final readonly class InvoiceLine
{
    /**
     * @param string $name of the line within its document
     * @param Account $account its revenue account
     * @param string $rate percent of tax
     * @param int $net without tax
     * @param int $rest what earlier credit notes left of it, without tax
     */
    public function __construct(
        public string $document,
        public string $name,
        public string $description,
        public Account $account,
        public string $rate,
        public int $net,
        public int $rest,
        public Quantity $quantity,
    ) {}

    /** What is left with its tax. */
    public function restGross(): int
    {
        return max(0, (new TaxedLine($this->rest, $this->rate))->gross());
    }

    /**
     * So much of it is credited.
     *
     * @param int $net without tax
     */
    public function credited(int $net): CreditedLine
    {
        return new CreditedLine($this->document, $this->name, $this->description, $this->account, $this->rate, $net, $this->rest);
    }
}
