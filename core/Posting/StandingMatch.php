<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

/** A match of the books that was not taken back, between a debit and a credit, named by their keys. */
final readonly class StandingMatch
{
    public function __construct(public int $id, public string $date, public int $debit, public int $credit) {}

    public function touches(int $itemId): bool
    {
        return $this->debit === $itemId || $this->credit === $itemId;
    }
}
