<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;

/** A line of an invoice that a payment may be meant for. */
final readonly class ChoosableLine
{
    /** @param  Money  $left with its tax, after credit notes and earlier payments that named it */
    public function __construct(public string $line, public string $description, public Money $left) {}
}
