<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\BadDebt\WriteOffRequest;
use Ajuste\Core\Money\Money;

/** Documents of one customer that will never be paid, as a person ticked them. */
final readonly class LossRequest
{
    /** @param  array<int, ?Money>  $amounts by item; null: all that is open */
    public function __construct(public int $customerId, public array $amounts, public WriteOffRequest $why) {}
}
