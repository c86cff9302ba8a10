<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\PaymentWay;

/** A receipt as a person typed it. */
final readonly class TypedReceipt
{
    /**
     * @param ?Account $account the money account; null: the one that goes with the way of payment
     * @param string $reference number of the cheque or slip, or blank
     * @param string $pays what the payer said that it is for
     */
    public function __construct(
        public PaymentWay $way,
        public ?Account $account,
        public string $date,
        public int $customerId,
        public Money $amount,
        public string $reference,
        public string $pays,
        public Alike $alike = Alike::Ask,
    ) {}
}
