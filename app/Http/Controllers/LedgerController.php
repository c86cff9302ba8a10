<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\BalanceSides;
use Ajuste\Core\Ledger\ClearingRest;
use Ajuste\Core\Money\Money;
use App\Http\ListWindow;
use App\Http\Part;
use App\Http\ViewPoint;
use App\Queries\Reports;
use App\Queries\Settings;
use App\Queries\TrialBalance;
use App\Queries\TrialBalanceLine;
use Illuminate\Http\Request;
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
            'aged' => $reports->agedSums($at->account, $at->asOf),
            'account' => $at->account,
            'base' => $settings->base(),
            'asOf' => $at->asOf,
        ]);
    }

    public function clearing(Request $request, ViewPoint $at, TrialBalance $balance, Settings $settings): string
    {
        $accounts = $settings->accounts()->thatMustClear();
        $rests = array_map(static fn (Account $account): array => $balance->rest($account, $at->asOf), $accounts);
        $window = ListWindow::of(
            $request,
            array_merge(...$rests),
            static fn (ClearingRest $of): string => "{$of->account->number} {$of->name} {$of->customer} {$of->description}",
            [
                'account' => static fn (ClearingRest $of): string => $of->account->number,
                'name' => static fn (ClearingRest $of): string => $of->name,
                'since' => static fn (ClearingRest $of): string => $of->since,
                'customer' => static fn (ClearingRest $of): string => $of->customer,
                'text' => static fn (ClearingRest $of): string => $of->description,
                'amount' => static fn (ClearingRest $of): int => $of->amount->minor,
            ],
        );

        return Part::of(view('ledger.clearing', [
            'accounts' => array_map(static fn (Account $of, array $rest): array => [$of, count($rest)], $accounts, $rests),
            'window' => $window,
            'base' => $settings->base(),
        ]), $request);
    }
}
