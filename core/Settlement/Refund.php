<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Customer;

/** A credit that is to be paid back: to whom, how, when and why. */
final readonly class Refund
{
    /**
     * @param Account $control the account that carries the credit
     * @param string $document number of the refund
     *
     * @throws Refusal when no reason is given
     */
    public function __construct(
        public Customer $customer,
        public Account $control,
        public string $document,
        public PaymentWay $way,
        public Payee $payee,
        public string $date,
        public string $reason,
    ) {
        if (trim($reason) === '') {
            throw new Refusal('Say why it is paid back; the voucher names it.');
        }
    }
}
