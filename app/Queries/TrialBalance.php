<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
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
        $rows = DB::table('postings')
            ->where('account_id', $account->id)
            ->where('date', '<=', $asOf)
            ->whereNull('superseded_at')
            ->selectRaw(
                "CASE WHEN document <> '' THEN document WHEN batch <> '' THEN batch ELSE entry END AS name, min(date) AS since, "
                    .'max(customer) AS customer, max(description) AS description, sum(base) AS base, max(id) AS posting',
            )
            ->groupBy('name')
            ->havingRaw('sum(base) <> 0')
            ->orderBy('since')
            ->orderBy('name')
            ->limit(1000)
            ->get();

        return array_values(
            $rows
                ->map(
                    fn (stdClass $row): ClearingRest => new ClearingRest(
                        (string) $row->name,
                        $row->since,
                        $row->customer,
                        $row->description,
                        Money::ofMinor((int) $row->base, $this->settings->base()),
                        (int) $row->posting,
                    ),
                )
                ->all(),
        );
    }
}
