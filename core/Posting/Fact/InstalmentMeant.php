<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Ref;

/** The instalment of an invoice that a settlement was meant for; without one a match pays the oldest (R4). */
final readonly class InstalmentMeant implements Fact
{
    /** @param  int  $settlement place of the settlement */
    public function __construct(public Ref $invoice, public string $dueDate, public int $settlement) {}
}
