<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use App\Actions\Posting\Once;
use App\Support\AuditTrail;
use Illuminate\Support\Facades\DB;

/** What a person decided for a payer is forgotten. */
final readonly class ForgetPayer
{
    public function __construct(private AuditTrail $audit) {}

    public function forget(string $key, string $name, string $account): void
    {
        Once::for($key, function () use ($name, $account): int {
            $gone = DB::table('payers')->where('name', $name)->where('bank_account', $account)->delete();
            $this->audit->record('forget payer', 'payer', '', ['name' => $name, 'account' => $account]);

            return $gone;
        });
    }
}
