<?php

declare(strict_types=1);

namespace Ajuste\Core\Bank;

use Ajuste\Core\Exchange\Bank\BankLine;

/** A movement that the books have already. */
final readonly class KnownMovement
{
    /**
     * @param string $entry names the entry that the bank booked it with; movements of one entry bear the same
     * @param string $entryReference the bank's own reference of that entry, blank where there is none
     * @param bool $ofStatement whether a statement with its balances brought it, which holds every movement of its days
     */
    public function __construct(
        public int $id,
        public BankLine $line,
        public string $entry,
        public string $entryReference,
        public bool $ofStatement,
    ) {}
}
