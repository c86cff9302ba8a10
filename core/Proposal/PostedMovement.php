<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** A posting on a money account that no statement line has confirmed yet. */
final readonly class PostedMovement
{
    /**
     * @param int $amount minor units, debit-positive as the ledger has it
     * @param string $customer the customer's number, or blank where several were posted together
     * @param list<string> $names document, batch, reference and entry by which a statement may name it
     */
    public function __construct(public int $id, public string $day, public int $amount, public string $customer, public array $names) {}
}
