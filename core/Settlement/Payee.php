<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Exchange\Bank\BankDetails;
use Ajuste\Core\Exchange\Bank\Iban;
use Ajuste\Core\Refusal;

/** To whom money is paid back. */
final readonly class Payee
{
    /**
     * @param string $iban without blanks; blank where it is not paid by transfer
     * @param string $newSince when the account number was changed, where it is so new that a second person looks first (R13); else blank
     */
    private function __construct(public string $name, public string $iban = '', public string $newSince = '') {}

    /**
     * @param string $iban as the customer's master data have it
     * @param string $changedAt when it was last changed, blank where it never was
     * @param string $today day on which the refund is asked for
     *
     * @throws Refusal when it is paid by transfer and the account number is missing or does not hold
     */
    public static function of(PaymentWay $way, string $name, string $iban, string $changedAt, string $today): self
    {
        if ($way !== PaymentWay::Transfer) {
            return new self($name);
        }
        if ($iban === '') {
            throw Refusal::setup("{$name} has no account number in customers.csv. Hand it in, or pay by cheque.");
        }
        if (! Iban::isValid($iban)) {
            throw Refusal::setup("The account number {$iban} of {$name} does not hold (ISO 13616). Have it corrected, or pay by cheque.");
        }

        return new self($name, Iban::plain($iban), BankDetails::areNew(substr($changedAt, 0, 10), $today) ? $changedAt : '');
    }
}
