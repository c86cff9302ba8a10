<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/** What a customer kept back from a payment, with its reason, on one invoice or on none. */
final readonly class Deduction
{
    /** @param  Money  $amount positive, gross, in the receipt's currency */
    public function __construct(public DeductionReason $reason, public ?OpenItem $invoice, public Money $amount) {}
}
