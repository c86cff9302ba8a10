<?php

declare(strict_types=1);

namespace Ajuste\Core\Bank;

use Ajuste\Core\Money\Money;

/** A posting on the ledger's account of a bank account. */
final readonly class BookPosting
{
    /**
     * @param Money $amount in the account's currency, debit-positive
     * @param list<string> $names document, batch, reference and entry by which a statement may name it
     */
    public function __construct(public int $id, public string $day, public Money $amount, public array $names) {}
}
