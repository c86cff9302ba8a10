<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Ref;

/** The lines of an invoice that a settlement was meant for (R3). */
final readonly class LinesMeant implements Fact
{
    /**
     * @param list<string> $lines by their names
     * @param int $settlement place of the settlement
     */
    public function __construct(public Ref $invoice, public array $lines, public int $settlement) {}
}
