<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Proof\CarriedCause;
use Illuminate\Support\Facades\DB;

/** Causes that a person carries with a reason (R12). */
final readonly class CarriedCauses
{
    /** @return array<string, CarriedCause> those that were not opened again, by the cause's key */
    public function of(Account $account, ?string $knownAt = null): array
    {
        $carried = [];
        foreach (
            DB::table('carried_causes')
                ->where('account_id', $account->id)
                ->when($knownAt !== null, static fn ($query) => $query->where('recorded_at', '<=', $knownAt))
                ->whereNotIn('id', DB::table('carried_causes_withdrawn')
                    ->when($knownAt !== null, static fn ($query) => $query->where('recorded_at', '<=', $knownAt))
                    ->select('carried_id'))
                ->orderBy('id')
                ->get() as $row
        ) {
            $carried[$row->cause_key] = new CarriedCause(
                $row->id,
                $row->cause_key,
                $row->amount,
                $row->reason,
                $row->who,
                $row->recorded_at,
                $row->through,
            );
        }

        return $carried;
    }
}
