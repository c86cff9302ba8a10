<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Subledger\Customer;

/** A customer whom a kind of run leaves alone. */
final readonly class Block
{
    public function __construct(
        public int $id,
        public Customer $customer,
        public string $reason,
        public string $who,
        public string $recordedAt,
    ) {}
}
