<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Run\RunChoices;
use Ajuste\Core\Run\RunKind;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What persons decided about single lines of a run, and the requests to approve it. */
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

    /** The request of a run that nobody answered yet; null where there is none. */
    public function open(RunKind $kind, Account $control, string $asOf): ?stdClass
    {
        $row = DB::table('run_requests')
            ->where(['kind' => $kind->value, 'account_id' => $control->id, 'as_of' => $asOf])
            ->whereNotIn('id', DB::table('run_request_answers')->select('request_id'))
            ->orderByDesc('id')
            ->first();

        return $row instanceof stdClass ? $row : null;
    }

    /** The last answer to a request of a run, with its words; null where there is none. */
    public function lastAnswer(RunKind $kind, Account $control, string $asOf): ?stdClass
    {
        $row = DB::table('run_request_answers as a')
            ->join('run_requests as r', 'r.id', '=', 'a.request_id')
            ->where(['r.kind' => $kind->value, 'r.account_id' => $control->id, 'r.as_of' => $asOf])
            ->orderByDesc('a.request_id')
            ->first(['a.answer', 'a.words', 'a.who', 'a.recorded_at', 'r.who as asked_by']);

        return $row instanceof stdClass ? $row : null;
    }

    /** @return list<stdClass> requests that wait for an answer, the oldest first */
    public function waiting(): array
    {
        return array_values(
            DB::table('run_requests as r')
                ->join('accounts as a', 'a.id', '=', 'r.account_id')
                ->whereNotIn('r.id', DB::table('run_request_answers')->select('request_id'))
                ->orderBy('r.id')
                ->get(['r.*', 'a.account'])
                ->all(),
        );
    }
}
