<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** One customer on one control account: what an item stands on, and what a match stays within (R1, R3). */
final readonly class CustomerAccount
{
    public function __construct(public int $customerId, public int $controlAccountId) {}
}
