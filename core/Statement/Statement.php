<?php

declare(strict_types=1);

namespace Ajuste\Core\Statement;

use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\CreditorReference;
use Ajuste\Core\Subledger\Customer;
use LogicException;

/** What a customer is told of one currency: balance brought forward, the documents of the period, the balance, and its age. */
final readonly class Statement
{
    public Currency $currency;

    public Money $balance;

    /** The ISO 11649 reference under which the customer pays, without blanks; blank: none can be made of its number. */
    public string $reference;

    /**
     * @param Money $forward balance before the first day, debit-positive
     * @param list<StatementLine> $lines by date, in the order in which they were recorded
     * @param AgedList $aged of this customer in this currency, in that currency
     * @param Money $contested what of the balance the customer disputes
     * @param string $payTo IBAN of the own account of this currency; blank: not known
     *
     * @throws LogicException when the age line is of another balance
     */
    public function __construct(
        public Customer $customer,
        public string $from,
        public string $to,
        public Money $forward,
        public array $lines,
        public AgedList $aged,
        public Money $contested,
        public string $payTo,
    ) {
        $this->currency = $forward->currency;
        $this->reference = CreditorReference::ofCustomer($customer->number);
        $moved = array_map(static fn (StatementLine $line): Money => $line->amount, $lines);
        $this->balance = Money::sum([$forward, ...$moved], $this->currency);
        if ($this->balance->minor !== $aged->totals->total) {
            throw new LogicException("The statement of {$customer->number} comes to {$this->balance->decimal()}, its age line does not.");
        }
    }

    /** @return list<StatementLine> those that are not settled */
    public function open(): array
    {
        return array_values(array_filter($this->lines, static fn (StatementLine $line): bool => ! $line->open->isZero()));
    }

    /** @return list<string> the age columns, credits last */
    public function buckets(): array
    {
        return [...$this->aged->buckets->labels, 'unapplied'];
    }

    /** @return list<Money> what stands in each */
    public function amounts(): array
    {
        return array_map(
            fn (int $minor): Money => Money::ofMinor($minor, $this->currency),
            [...$this->aged->totals->amounts, $this->aged->totals->unapplied],
        );
    }

    /** Nothing happened and nothing is owed either way. */
    public function isBlank(): bool
    {
        return $this->lines === [] && $this->balance->isZero() && $this->forward->isZero();
    }
}
