<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Settlement\DepositShare;
use Ajuste\Core\Subledger\OpenItem;
use Illuminate\Support\Facades\DB;

/** Tax that was booked on deposits when they were received. */
final class DepositShares
{
    public function of(OpenItem $credit): DepositShare
    {
        return new DepositShare($credit, (int) DB::table('deposit_taxes')->where('item_id', $credit->id)->value('tax'));
    }
}
