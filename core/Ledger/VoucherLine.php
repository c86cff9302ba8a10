<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

use Ajuste\Core\Money\Money;

/** One line of a voucher, in base currency: a debit above zero, a credit below. */
final readonly class VoucherLine
{
    /**
     * @param Money $base signed, base currency, not zero
     * @param string $document the document that the line is about, or blank
     * @param string $customer the customer's number, or blank
     * @param ?Money $original the amount in its own currency, signed likewise, where that is not base
     * @param string $reference what else the accounting system is to know, such as a dimension
     * @param string $source what kind of line it is where the proof looks at that, such as opening; blank: one of Ajuste
     */
    public function __construct(
        public Account $account,
        public Money $base,
        public string $description,
        public string $document = '',
        public string $customer = '',
        public ?Money $original = null,
        public string $reference = '',
        public string $source = '',
    ) {}

    /** The same on the other side. */
    public function reversed(?string $description = null): self
    {
        return new self(
            $this->account,
            $this->base->negated(),
            $description ?? $this->description,
            $this->document,
            $this->customer,
            $this->original?->negated(),
            $this->reference,
            $this->source,
        );
    }

    public function debit(): ?Money
    {
        return $this->base->minor > 0 ? $this->base : null;
    }

    public function credit(): ?Money
    {
        return $this->base->minor < 0 ? $this->base->abs() : null;
    }
}
