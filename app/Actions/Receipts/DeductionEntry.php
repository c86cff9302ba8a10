<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

/** A deduction as a person entered it. */
final readonly class DeductionEntry
{
    /** @param  int  $itemId 0: on no invoice */
    public function __construct(public string $code, public int $itemId, public string $amount) {}
}
