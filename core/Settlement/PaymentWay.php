<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\AccountRole;

/** How money is paid that no bank statement tells of first. Each way has a money account of its own, in and out. */
enum PaymentWay: string
{
    case Cheque = 'cheque';
    case Cash = 'cash';
    case Transfer = 'transfer';

    public function receivedOn(): AccountRole
    {
        return match ($this) {
            self::Cheque => AccountRole::ReceiptsInTransit,
            self::Cash => AccountRole::Till,
            self::Transfer => AccountRole::Bank,
        };
    }

    public function paidFrom(): AccountRole
    {
        return $this === self::Cash ? AccountRole::Till : AccountRole::PaymentsInTransit;
    }
}
