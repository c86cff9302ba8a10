<?php

declare(strict_types=1);

namespace App\Actions\Import;

/** An item as a match of an import takes it. It counts what the rows before have taken. */
final class MatchItem
{
    public function __construct(
        public readonly int $id,
        public readonly int $customerId,
        public readonly string $currency,
        public readonly int $controlAccountId,
        public readonly string $date,
        public readonly int $amount,
        public readonly int $base,
        public int $matched,
        public int $moved,
        public readonly string $lastMovedOn,
    ) {}

    public function goesWith(self $other): bool
    {
        return [$this->customerId, $this->currency, $this->controlAccountId] === [$other->customerId, $other->currency, $other->controlAccountId];
    }
}
