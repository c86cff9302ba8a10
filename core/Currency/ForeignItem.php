<?php

declare(strict_types=1);

namespace Ajuste\Core\Currency;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\OpenItem;

/** An open item in foreign currency as the revaluation looks at it. */
final readonly class ForeignItem
{
    /**
     * @param Money $carried base currency, debit-positive: its own carrying amount and the differences that stand on it
     * @param string $lastSettled the last day on which anything was matched of it, blank where nothing was
     */
    public function __construct(
        public Customer $customer,
        public OpenItem $item,
        public Money $carried,
        public string $lastSettled = '',
    ) {}

    /** Debit-positive, in its currency. */
    public function open(): Money
    {
        return $this->item->signed($this->item->open);
    }

    /** What later days have settled of it already, in its currency. */
    public function settledSince(): Money
    {
        return Money::ofMinor(max(0, $this->item->position->allMatched - $this->item->position->matched), $this->item->open->currency);
    }
}
