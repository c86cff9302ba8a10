<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\Proof;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Causes that a person carries with a reason (R12). */
final readonly class CarriedCauses
{
    /** @return array<string, stdClass> those that stand, by the cause's key */
    public function of(Account $account): array
    {
        return DB::table('carried_causes')->where('account_id', $account->id)->whereNotIn('id', DB::table('carried_causes_withdrawn')->select('carried_id'))->orderBy('id')->get()->keyBy('cause_key')->all();
    }

    /**
     * Sum of the absolute amounts of causes that nobody has explained. A carried cause whose amount has changed is open again.
     */
    public function unexplained(Proof $proof, Account $account): int
    {
        $carried = $this->of($account);

        return $proof->unexplained(static fn (CauseLine $line): bool => isset($carried[$line->key()]) && $carried[$line->key()]->amount === $line->amount);
    }
}
