<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Proof\Cause;
use Ajuste\Core\Proof\CauseLine;
use App\Queries\ProofLines;
use App\Queries\Reports;
use App\Queries\Settings;
use Illuminate\Support\Facades\DB;

/** Own corrections of what the source has mended meanwhile. */
final readonly class NeedlessCorrections
{
    public function __construct(private Settings $settings, private Reports $reports) {}

    /** Where nothing was posted here that belongs to no match and no run, there is nothing to look for. */
    public function mayBe(): bool
    {
        return DB::table('vouchers')->whereNull('settlement_id')->whereNull('run_id')->exists();
    }

    public function count(): int
    {
        $this->settings->forget();
        if (! $this->mayBe()) {
            return 0;
        }
        $asOf = $this->settings->period()->last;
        $count = 0;
        foreach ($this->settings->accounts()->allWithRole(AccountRole::ReceivablesControl) as $account) {
            $lines = $this->reports->proofOf(ProofLines::since($account->id, $asOf), $asOf)->lines;
            $count += count(array_filter($lines, static fn (CauseLine $line): bool => $line->cause === Cause::NotNeeded));
        }

        return $count;
    }
}
