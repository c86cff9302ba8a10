<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Ref;
use Ajuste\Core\Settlement\Payee;
use Ajuste\Core\Settlement\PaymentWay;

/** A credit that is paid back, by which way and to whom. */
final readonly class RefundPaid implements Fact
{
    /**
     * @param Ref $refund the item
     * @param ?Ref $credit what it pays back; null: it is paid before its credit note
     * @param Money $paid in the item’s currency, with the tax of a deposit
     * @param int $voucher place of its voucher
     * @param ?int $settlement place of the settlement that closes both; null: none yet
     */
    public function __construct(
        public Ref $refund,
        public ?Ref $credit,
        public PaymentWay $way,
        public Money $paid,
        public Payee $payee,
        public string $reason,
        public int $voucher,
        public ?int $settlement,
    ) {}
}
