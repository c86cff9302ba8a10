<?php

declare(strict_types=1);

namespace App\Queries;

/** A customer that a search found, and by what. */
final readonly class CustomerHit
{
    public function __construct(public int $id, public string $customer, public string $name, public string $by) {}
}
