<?php

declare(strict_types=1);

namespace Ajuste\Core\Bank;

use Ajuste\Core\Money\Money;

/** A movement of a bank account, with the postings that are known to be it. */
final readonly class BookedMovement
{
    /**
     * @param Money $amount in the account's currency, above zero where money came in
     * @param string $text what payer and bank wrote, with its references
     * @param bool $isDecided whether a person said what it is
     * @param list<int> $postings on the same account
     */
    public function __construct(
        public int $id,
        public string $day,
        public Money $amount,
        public string $text,
        public bool $isDecided = false,
        public array $postings = [],
    ) {}
}
