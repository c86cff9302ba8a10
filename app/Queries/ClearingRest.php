<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;

/** What is still in an account that must clear: from when and from whom. */
final readonly class ClearingRest
{
    public function __construct(
        public string $name,
        public string $since,
        public string $customer,
        public string $description,
        public Money $amount,
        public int $postingId,
    ) {}
}
