<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;

/** A supplier, and what is owed to it. */
final readonly class OwedSupplier
{
    /** @param  Money  $owed base currency */
    public function __construct(public int $id, public string $supplier, public string $name, public Money $owed) {}
}
