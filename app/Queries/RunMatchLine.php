<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Subledger\OpenItem;

/** One loose credit with the match that a run would post for it: by itself where it is certain, else where a person takes it along. */
final readonly class RunMatchLine
{
    /** @param  list<OpenItem>  $settles */
    public function __construct(public int $customerId, public string $customer, public string $name, public OpenItem $credit, public Way $how, public array $settles, public bool $certain) {}

    /** Whether the last item stays open with a part. */
    public function leavesAPart(): bool
    {
        return array_sum(array_map(static fn (OpenItem $item): int => $item->side->sign() * $item->open->minor, $this->settles)) > $this->credit->open->minor;
    }
}
