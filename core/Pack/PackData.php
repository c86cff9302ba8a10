<?php

declare(strict_types=1);

namespace Ajuste\Core\Pack;

/** The rows of a close pack, as its files have them: text by column, amounts as minor units of base currency. */
final readonly class PackData
{
    /**
     * @param iterable<array<string, string>> $ledger account, base (debit-positive)
     * @param iterable<array<string, string>> $items id, account, side, base
     * @param iterable<array<string, string>> $matches debit, credit, debit_base, credit_base: those that stand at the period's end
     * @param iterable<array<string, string>> $open item, account, customer, currency, base, standing, date, due_date, contested
     */
    public function __construct(public iterable $ledger, public iterable $items, public iterable $matches, public iterable $open) {}
}
