<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Subledger\UnappliedSums;

/** What is unapplied over all customers but those with a reason, which are counted apart. */
final readonly class UnappliedTotals
{
    /** @param  int  $withReason customers whose unapplied items have a reason */
    public function __construct(public int $customers, public UnappliedSums $sums, public int $withReason) {}
}
