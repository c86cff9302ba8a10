<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Money\Money;

/** What is added to the matrix for a reason that its rates do not know (R14). */
final readonly class Overlay
{
    /** @param  Money  $amount base currency, signed */
    public function __construct(public int $id, public Money $amount, public string $reason, public string $review) {}
}
