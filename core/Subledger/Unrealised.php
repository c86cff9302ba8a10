<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use Ajuste\Core\Ledger\Account;

/** An unrealised exchange difference that stands on an open item (R9), with the accounts that it was booked to. */
final readonly class Unrealised
{
    /**
     * @param OpenItem $difference the item that corrects base, with what settlements have given back of it
     * @param Account $result of gains or of losses
     * @param int $voucher key of the voucher that booked it, 0 where it came with a file: what goes back together is of one
     */
    public function __construct(public OpenItem $difference, public Account $control, public Account $result, public int $voucher) {}
}
