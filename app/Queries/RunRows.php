<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use App\Values\RunRow;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What posted runs took, and what they left out. */
final class RunRows
{
    /** @return list<RunRow> what it took, then the near misses of its policy, then what else it left out */
    public function of(int $runId): array
    {
        $rows = [
            ...self::taken()->where('l.run_id', $runId)->get(),
            ...self::leftOut()->where('l.run_id', $runId)->orderByDesc('l.near_miss')->get(),
        ];

        return array_map(
            static fn (stdClass $row): RunRow => new RunRow(
                $row->customer_id,
                trim("{$row->customer} {$row->name}"),
                $row->root_id,
                (string) $row->document,
                Money::ofMinor($row->amount, $row->currency),
                $row->base,
                $row->why,
                $row->state,
            ),
            $rows,
        );
    }

    /** Lines as they were posted, with their run. */
    public static function taken(): Builder
    {
        return self::named('run_lines')->addSelect('i.document')->selectRaw("'taken' AS state");
    }

    /** Lines that were left out, with their run. */
    public static function leftOut(): Builder
    {
        return self::named('run_left_out')
            ->addSelect('l.document')
            ->selectRaw("CASE l.near_miss WHEN 1 THEN 'near miss' ELSE 'left out' END AS state");
    }

    private static function named(string $table): Builder
    {
        return DB::table("{$table} as l")
            ->join('runs as r', 'r.id', '=', 'l.run_id')
            ->leftJoin('customers as c', 'c.id', '=', 'l.customer_id')
            ->leftJoin('items as i', 'i.id', '=', 'l.item_id')
            ->orderBy('l.id')
            ->select([
                'r.id as run', 'r.kind', 'r.as_of', 'r.policy', 'r.who', 'l.customer_id', 'c.customer', 'c.name', 'i.root_id',
                'l.currency', 'l.amount', 'l.base', 'l.why',
            ]);
    }
}
