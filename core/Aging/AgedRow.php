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

    public function isNil(): bool
    {
        return $this->unapplied === 0 && array_filter($this->amounts) === [];
    }
}
