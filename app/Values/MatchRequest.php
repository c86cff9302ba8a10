<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Money;

/** What a person ticked of a customer's items, to settle each other. */
final readonly class MatchRequest
{
    /**
     * @param array<int, ?Money> $takes by item id, in the order of the list; null: as much as both sides allow
     * @param ?string $date null: the earliest day on which the match can take effect
     * @param array<int, Money> $worth what a credit in another currency is worth in that of the debits, by item id
     */
    public function __construct(
        public int $customerId,
        public array $takes,
        public ?string $date = null,
        public Reductions $less = new Reductions,
        public array $worth = [],
    ) {}
}
