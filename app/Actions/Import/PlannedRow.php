<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Posting\MatchedAmounts;

/** What a row of matches would match. */
final readonly class PlannedRow
{
    public function __construct(public int $debitId, public int $creditId, public MatchedAmounts $amounts) {}
}
