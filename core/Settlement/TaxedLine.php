<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

/** A line of an invoice as its tax goes: net in minor units, and the rate in percent. */
final readonly class TaxedLine
{
    public function __construct(public int $net, public string $rate) {}
}
