<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;

/** What the ledger and the suppliers' open items say of one control account of payables, in base currency; what is owed is above zero. */
final readonly class PayablesFigure
{
    /** @param  ?Money  $ledger null: no file has brought a line of the account */
    public function __construct(public Account $account, public ?Money $ledger, public Money $suppliers) {}

    public function difference(): ?Money
    {
        return $this->ledger?->minus($this->suppliers);
    }
}
