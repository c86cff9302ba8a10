<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Contra\AtMost;
use Ajuste\Core\Contra\PairChoices;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Run\RunChoices;
use Ajuste\Core\Run\RunKind;
use Illuminate\Support\Facades\DB;

/** What persons decided about single lines of a run. */
final class RunDecisions
{
    public function choices(RunKind $kind, Account $control, string $asOf): RunChoices
    {
        $left = $taken = [];
        $rows = DB::table('run_choices')->where(['kind' => $kind->value, 'account_id' => $control->id, 'as_of' => $asOf])->orderBy('id');
        foreach ($rows->get(['item_id', 'choice', 'reason']) as $row) {
            unset($left[$row->item_id], $taken[$row->item_id]);
            match ($row->choice) {
                'leave' => $left[(int) $row->item_id] = (string) $row->reason,
                'take' => $taken[(int) $row->item_id] = (string) $row->reason,
                default => null,
            };
        }

        return new RunChoices($left, $taken);
    }

    /** How much of items and bills is set off at most. */
    public function ofPairs(Account $control, string $asOf): PairChoices
    {
        $items = $bills = [];
        $rows = DB::table('pair_choices as c')
            ->leftJoin('items as i', 'i.id', '=', 'c.item_id')
            ->leftJoin('supplier_items as s', 's.id', '=', 'c.supplier_item_id')
            ->where(['c.account_id' => $control->id, 'c.as_of' => $asOf])
            ->orderBy('c.id')
            ->get(['c.item_id', 'c.supplier_item_id', 'c.amount', 'c.reason', DB::raw('coalesce(i.currency, s.currency) AS currency')]);
        foreach ($rows as $row) {
            $most = $row->amount === null ? null : new AtMost(Money::ofMinor((int) $row->amount, (string) $row->currency), $row->reason);
            if ($row->item_id !== null) {
                $items[(int) $row->item_id] = $most;
            } else {
                $bills[(int) $row->supplier_item_id] = $most;
            }
        }

        return new PairChoices(array_filter($items), array_filter($bills));
    }
}
