<?php

declare(strict_types=1);

namespace Ajuste\Core\Presentation;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Run\LeftOut;
use Ajuste\Core\Run\PlannedLine;
use Ajuste\Core\Run\RunLine;
use Ajuste\Core\Subledger\Customer;

/** One credit that is presented as a liability, or is left. */
final readonly class PresentedCredit
{
    /**
     * @param ?int $itemId the item where the policy is by item
     * @param string $document likewise, else blank
     * @param Money $amount positive, in its currency (in base where several currencies are netted)
     * @param Money $base positive, base currency
     */
    public function __construct(
        public Customer $customer,
        public ?int $itemId,
        public string $document,
        public Money $amount,
        public Money $base,
        public string $why,
    ) {}

    /** As a run shows it: a credit, below zero. */
    public function planned(): PlannedLine
    {
        return new PlannedLine(
            $this->customer, $this->itemId, $this->document, $this->amount->negated(), $this->base->negated(), $this->why,
        );
    }

    public function leftOut(string $why): LeftOut
    {
        return new LeftOut($this->customer, $this->itemId, $this->document, $this->amount->negated(), $this->base->negated(), $why);
    }

    public function asRunLine(): RunLine
    {
        return new RunLine($this->customer->id, $this->itemId, $this->amount, $this->base, $this->why);
    }
}
