<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

/** A customer and a supplier that may be the same party: proposed, never taken (R7). */
final readonly class LikelyParty
{
    /** @param  string  $why in words */
    public function __construct(public int $customerId, public int $supplierId, public string $why) {}
}
