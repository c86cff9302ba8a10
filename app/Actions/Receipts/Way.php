<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Ledger\AccountRole;

/** How a receipt that is typed by hand was paid. Each way has a money account of its own. */
enum Way: string
{
    case Cheque = 'cheque';
    case Cash = 'cash';
    case Transfer = 'transfer';

    public function account(): AccountRole
    {
        return match ($this) {
            self::Cheque => AccountRole::ReceiptsInTransit,
            self::Cash => AccountRole::Till,
            self::Transfer => AccountRole::Bank,
        };
    }
}
