<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\OpenItem;

/** What a party is told of a contra: the documents of both sides, and what remains on which. */
final readonly class ContraLetter
{
    /**
     * @param OpenItem $contra the customer's side of it
     * @param string $supplier its number as a supplier
     * @param list<PaperLine> $claims the customer's documents with what was set off, and what else took them down that day
     * @param list<PaperLine> $bills the supplier's documents with what was set off
     * @param Money $owed what the customer still owes in the currency at the day's end, its credits taken off
     * @param Money $owing what is still owed to the supplier
     */
    public function __construct(
        public OpenItem $contra,
        public Customer $customer,
        public string $supplier,
        public string $agreement,
        public array $claims,
        public array $bills,
        public Money $owed,
        public Money $owing,
    ) {}
}
