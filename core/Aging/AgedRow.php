<?php

declare(strict_types=1);

namespace Ajuste\Core\Aging;

/** One customer and currency on the aged list. Amounts are minor units of base currency, debit-positive. */
final readonly class AgedRow
{
    public int $total;

    /** @param  non-empty-list<int>  $amounts one for each column */
    public function __construct(
        public string $customer,
        public string $name,
        public string $currency,
        public array $amounts,
        public int $unapplied,
    ) {
        $this->total = array_sum($amounts) + $unapplied;
    }

    /** What is past its due date, on a list by due date: all columns but the first. Minor units of base currency. */
    public function overdue(): int
    {
        return array_sum($this->amounts) - $this->amounts[0];
    }

    /** The same row with nothing in it. */
    public function nil(): self
    {
        return new self($this->customer, $this->name, $this->currency, array_fill(0, count($this->amounts), 0), 0);
    }

    /** What it has more than another row, column by column. */
    public function less(self $other): self
    {
        $amounts = array_map(static fn (int $now, int $then): int => $now - $then, $this->amounts, $other->amounts);

        return new self($this->customer, $this->name, $this->currency, $amounts, $this->unapplied - $other->unapplied);
    }

    public function plus(self $other): self
    {
        $amounts = array_map(static fn (int $one, int $more): int => $one + $more, $this->amounts, $other->amounts);

        return new self($this->customer, $this->name, $this->currency, $amounts, $this->unapplied + $other->unapplied);
    }

    public function isNil(): bool
    {
        return $this->unapplied === 0 && array_filter($this->amounts) === [];
    }
}
