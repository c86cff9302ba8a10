<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
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
}
