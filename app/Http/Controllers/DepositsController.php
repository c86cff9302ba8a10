<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Subledger\Side;
use App\Http\ViewPoint;
use App\Queries\ControlFigures;
use App\Queries\Positions;
use App\Queries\Settings;
use Illuminate\View\View;

/** Money received before there is an invoice: its own list, tied to its own control account, and the way to the final invoice. */
final class DepositsController
{
    public function index(ViewPoint $at, Settings $settings, Positions $positions, ControlFigures $figures): View
    {
        $accounts = $settings->accounts()->allWithRole(AccountRole::CustomerDeposits);
        $deposits = [];
        foreach ($accounts as $account) {
            foreach ($positions->openOn($account->id, $at->asOf) as $customerId => [$number, $name, $item, $base]) {
                if ($item->side === Side::Credit) {
                    $invoices = count(array_filter($positions->itemsToMatch($at->account->id, $customerId, $at->asOf), static fn ($open): bool => $open->side === Side::Debit && $open->open->currency->code === $item->open->currency->code));
                    $deposits[] = ['customerId' => $customerId, 'number' => $number, 'name' => $name, 'item' => $item, 'base' => $base, 'invoices' => $invoices];
                }
            }
        }
        usort($deposits, static fn (array $one, array $other): int => [$one['item']->date, $one['item']->id] <=> [$other['item']->date, $other['item']->id]);

        return view('deposits.index', ['deposits' => $deposits, 'figures' => array_map(static fn ($account) => $figures->at($account, $at->asOf), $accounts), 'base' => $settings->base()]);
    }
}
