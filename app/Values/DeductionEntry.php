<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Money;

/** A deduction as a person entered it. */
final readonly class DeductionEntry
{
    /**
     * @param string $code of the reason; blank: none chosen yet
     * @param int $itemId 0: on no invoice
     * @param ?Money $amount null: none typed yet, so that it counts as not entered
     */
    public function __construct(public string $code, public int $itemId, public ?Money $amount) {}
}
