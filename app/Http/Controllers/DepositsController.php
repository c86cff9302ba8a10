<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\HoldAsDeposit;
use App\Http\FormKey;
use App\Http\ViewPoint;
use App\Queries\ControlFigures;
use App\Queries\Positions;
use App\Queries\Settings;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Money received before there is an invoice: its own list, tied to its own control account, and the way to the final invoice. */
final class DepositsController
{
    public function index(ViewPoint $at, Settings $settings, Positions $positions, ControlFigures $figures): View
    {
        $accounts = $settings->accounts()->allWithRole(AccountRole::CustomerDeposits);
        $deposits = $open = [];
        foreach ($accounts as $account) {
            foreach ($positions->open($account->id, $at->asOf) as $customerId => [$customer, $item]) {
                if (! $item->isDebit()) {
                    $open[$customerId] ??= $positions->takeableOf($at->account->id, $customerId, $at->asOf);
                    $invoices = count(
                        array_filter(
                            $open[$customerId],
                            static fn (OpenItem $of): bool => $of->isDebit() && $of->takeable->isIn($item->open->currency),
                        ),
                    );
                    $deposits[] = ['customer' => $customer, 'item' => $item, 'invoices' => $invoices];
                }
            }
        }
        usort(
            $deposits,
            static fn (array $one, array $other): int => [$one['item']->date, $one['item']->id] <=> [
                $other['item']->date,
                $other['item']->id,
            ],
        );

        return view('deposits.index', [
            'deposits' => $deposits,
            'figures' => array_map(static fn ($account) => $figures->at($account, $at->asOf), $accounts),
            'base' => $settings->base(),
        ]);
    }

    /** What is unapplied of a receipt becomes a deposit. */
    public function hold(Request $request, int $item, HoldAsDeposit $hold): RedirectResponse
    {
        $settlement = $hold->post(FormKey::of($request, 'hold-deposit'), $item, trim($request->string('deposit_tax')->toString()));

        return redirect()->back(fallback: route('deposits'))->with('done', [
            'text' => 'Held as a deposit, at its own rate.', 'url' => route('match', $settlement), 'link' => 'Open it',
        ]);
    }
}
