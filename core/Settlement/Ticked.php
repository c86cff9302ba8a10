<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/**
 * What a person ticked for one settlement, and what comes off it beside money: discounts, deductions, and the lines that alone are meant.
 */
final readonly class Ticked
{
    /**
     * @param list<Tick> $ticks
     * @param array<int, Money> $discounts taken, by item id
     * @param list<Deduction> $deductions accepted and contested
     * @param array<int, list<string>> $lines of an invoice that alone are meant, by item id
     * @param array<int, string> $instalments due date of the one that is meant, by item id
     */
    public function __construct(
        public array $ticks,
        public array $discounts = [],
        public array $deductions = [],
        public array $lines = [],
        public array $instalments = [],
    ) {}

    /** @return list<OpenItem> */
    public function items(): array
    {
        return array_map(static fn (Tick $tick): OpenItem => $tick->item, $this->ticks);
    }

    /** @return list<Deduction> */
    public function accepted(): array
    {
        return array_values(array_filter($this->deductions, static fn (Deduction $deduction): bool => ! $deduction->reason->isContested()));
    }

    /** The document that a deduction without an invoice goes under: the first debit, else the first item. */
    public function firstDocument(): string
    {
        foreach ($this->ticks as $tick) {
            if ($tick->item->isDebit()) {
                return $tick->item->document;
            }
        }

        return $this->ticks[0]->item->document ?? '';
    }
}
