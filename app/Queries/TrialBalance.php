<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\ClearingLine;
use Ajuste\Core\Ledger\ClearingRest;
use Ajuste\Core\Money\Money;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The balances of all accounts, and what is still in those that must clear. */
final readonly class TrialBalance
{
    public function __construct(private Settings $settings, private ControlFigures $figures) {}

    /** @return list<TrialBalanceLine> in the order of the accounts */
    public function lines(string $asOf): array
    {
        $sums = DB::table('postings')
            ->where('date', '<=', $asOf)
            ->whereNull('superseded_at')
            ->groupBy('account_id')
            ->selectRaw('account_id, sum(base) AS base, count(*) AS n')
            ->get()
            ->keyBy('account_id');
        $lines = [];
        foreach ($this->settings->accounts()->all() as $account) {
            $sum = $sums[$account->id] ?? null;
            $tie = $account->role?->carriesCustomers() === true ? $this->figures->at($account, $asOf) : null;
            if ($sum !== null || $tie !== null) {
                $lines[] = new TrialBalanceLine(
                    $account,
                    Money::ofMinor((int) ($sum->base ?? 0), $this->settings->base()),
                    (int) ($sum->n ?? 0),
                    $tie,
                );
            }
        }

        return $lines;
    }

    /**
     * What an account that must clear still holds: documents or entries that do not come to nil, the oldest first.
     *
     * @return list<ClearingRest>
     */
    public function rest(Account $account, string $asOf): array
    {
        $lines = DB::table('postings')
            ->where('account_id', $account->id)
            ->where('date', '<=', $asOf)
            ->whereNull('superseded_at')
            ->select('id', 'date', 'document', 'batch', 'entry', 'customer', 'description', 'base')
            ->cursor()
            ->map(static fn (stdClass $row): ClearingLine => new ClearingLine(
                $row->id, $row->date, $row->document, $row->batch, $row->entry, $row->customer, $row->description, $row->base,
            ));

        return ClearingRest::of($account, $lines, $this->settings->base());
    }
}
