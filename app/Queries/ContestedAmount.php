<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;

/** One amount that a customer disputes, with its reason and who looks after it. */
final readonly class ContestedAmount
{
    public function __construct(
        public int $id,
        public int $itemId,
        public string $document,
        public Money $amount,
        public string $reason,
        public string $owner,
        public string $since,
    ) {}
}
