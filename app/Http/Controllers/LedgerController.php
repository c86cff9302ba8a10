<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\BalanceSides;
use Ajuste\Core\Money\Money;
use App\Http\ViewPoint;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Queries\TrialBalance;
use App\Queries\TrialBalanceLine;
use Illuminate\View\View;

/** The ledger as a whole: the trial balance with its ties, and the accounts that must clear to nil. */
final class LedgerController
{
    public function trialBalance(ViewPoint $at, TrialBalance $balance, Reports $reports, Settings $settings): View
    {
        $lines = $balance->lines($at->asOf);
        $balances = array_map(static fn (TrialBalanceLine $line): Money => $line->balance, $lines);

        return view('ledger.trial-balance', [
            'lines' => $lines,
            'sides' => BalanceSides::of($balances, $settings->base()),
            'aged' => $reports->aged($at->account, $at->asOf),
            'account' => $at->account,
            'base' => $settings->base(),
            'asOf' => $at->asOf,
        ]);
    }

    public function clearing(ViewPoint $at, TrialBalance $balance, Settings $settings): View
    {
        $accounts = array_merge(
            ...array_map($settings->accounts()->allWithRole(...), [
                AccountRole::MustClear,
                AccountRole::ReceiptsInTransit,
                AccountRole::PaymentsInTransit,
            ]),
        );

        return view('ledger.clearing', [
            'accounts' => array_map(static fn ($account): array => [$account, $balance->rest($account, $at->asOf)], $accounts),
            'base' => $settings->base(),
            'asOf' => $at->asOf,
        ]);
    }
}
