<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Subledger\OpenItem;

/** One loose credit with the certain proposal that a run would post for it. */
final readonly class RunMatchLine
{
    public function __construct(public int $customerId, public string $customer, public string $name, public OpenItem $credit, public Proposal $proposal) {}
}
