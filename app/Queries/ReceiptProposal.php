<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Subledger\OpenItem;

/** An unapplied receipt of a customer and what is proposed for it. */
final readonly class ReceiptProposal
{
    public function __construct(public string $customer, public OpenItem $receipt, public Proposal $proposal) {}
}
