<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Ref;

/** An amount that a customer disputes: it stays open on the invoice, marked with the reason (R5). */
final readonly class AmountContested implements Fact
{
    /**
     * @param string $reason code of the reason
     * @param Money $amount positive, in the invoice’s currency
     * @param int $settlement place of the settlement that left it open
     */
    public function __construct(
        public Ref $invoice,
        public string $reason,
        public Money $amount,
        public string $date,
        public int $settlement,
    ) {}
}
