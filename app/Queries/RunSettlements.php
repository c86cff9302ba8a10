<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The matches that a run posted. */
final class RunSettlements
{
    public function count(int $runId): int
    {
        return DB::table('run_settlements')->where('run_id', $runId)->count();
    }

    /** @return list<stdClass> with customer, credit, what was settled, and whether it stands */
    public function of(int $runId, int $from, int $most): array
    {
        return array_values(
            DB::table('run_settlements as r')
                ->join('settlements as s', 's.id', '=', 'r.settlement_id')
                ->join('customers as c', 'c.id', '=', 's.customer_id')
                ->join(
                    'run_lines as l',
                    static fn ($join) => $join->on('l.run_id', '=', 'r.run_id')->on('l.customer_id', '=', 's.customer_id'),
                )
                ->join('items as i', 'i.id', '=', 'l.item_id')
                ->whereExists(
                    static fn (Builder $query) => $query
                        ->from('matches as m')
                        ->whereColumn('m.settlement_id', 'r.settlement_id')
                        ->whereColumn('m.credit_item_id', 'i.root_id'),
                )
                ->where('r.run_id', $runId)
                ->orderBy('c.customer')
                ->orderBy('s.id')
                ->offset($from)
                ->limit($most)
                ->select([
                    's.id',
                    's.date',
                    'c.id as customer_id',
                    'c.name',
                    'i.root_id',
                    'i.kind',
                    'i.document',
                    'l.amount',
                    'l.currency',
                    'l.why',
                ])
                ->selectRaw(
                    'EXISTS (SELECT 1 FROM matches m WHERE m.settlement_id = s.id AND NOT EXISTS (SELECT 1 FROM match_reversals v WHERE '
                        .'v.match_id = m.id)) AS stands',
                )
                ->selectRaw('(SELECT count(*) FROM vouchers v WHERE v.settlement_id = s.id AND v.reverses_id IS NULL) AS vouchers')
                ->get()
                ->all(),
        );
    }
}
