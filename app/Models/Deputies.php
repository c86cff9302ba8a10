<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Who stands in for a reviewer on days away (R13). */
final class Deputies
{
    /** @return string the reviewer for whom a person stands in today, or blank */
    public function standsFor(int $personId): string
    {
        $today = Carbon::now('UTC')->toDateString();

        return (string) self::standing()
            ->where('d.deputy_id', $personId)
            ->where('d.from_day', '<=', $today)
            ->where('d.to_day', '>=', $today)
            ->where('r.role', 'reviewer')
            ->whereNull('r.disabled_at')
            ->orderBy('d.id')
            ->value('r.name');
    }

    /** @return list<stdClass> id, name, from_day, to_day, reason: those that a reviewer named and that are not over */
    public function of(int $reviewerId): array
    {
        return array_values(self::standing()
            ->where('d.reviewer_id', $reviewerId)
            ->where('d.to_day', '>=', Carbon::now('UTC')->toDateString())
            ->orderBy('d.from_day')
            ->get(['d.id', 'p.name', 'd.from_day', 'd.to_day', 'd.reason'])
            ->all());
    }

    private static function standing(): Builder
    {
        return DB::table('deputies as d')
            ->join('users as r', 'r.id', '=', 'd.reviewer_id')
            ->join('users as p', 'p.id', '=', 'd.deputy_id')
            ->whereNotIn('d.id', DB::table('deputies_ended')->select('deputy_row_id'));
    }
}
