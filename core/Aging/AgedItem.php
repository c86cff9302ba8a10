<?php

declare(strict_types=1);

namespace Ajuste\Core\Aging;

use Ajuste\Core\Subledger\Side;

/** An open item as the aged list takes it. An exchange difference comes with the dates and the standing of the item that it corrects. */
final readonly class AgedItem
{
    /**
     * @param int $base what it still carries, minor units of base currency; a debit above zero, a credit below. On a list of one
     *                  currency's documents what is open, in that currency
     * @param Side $standing the side of the item, or of the item that it corrects
     * @param int $contested the part of it that the customer disputes, signed as it
     */
    public function __construct(
        public string $customer,
        public string $name,
        public string $currency,
        public int $base,
        public Side $standing,
        public string $date,
        public string $dueDate,
        public int $contested = 0,
    ) {}

    /** The same item for another amount. */
    public function carrying(int $base, int $contested): self
    {
        return new self($this->customer, $this->name, $this->currency, $base, $this->standing, $this->date, $this->dueDate, $contested);
    }
}
