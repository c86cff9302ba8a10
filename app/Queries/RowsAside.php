<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;
use stdClass;

/** Rows of files that were set aside, and wait for somebody. */
final class RowsAside
{
    /** @return list<int> in the order in which they came */
    public function ids(): array
    {
        $waiting = DB::table('rows_set_aside')->whereNotIn('id', DB::table('rows_closed')->select('row_id'))->orderBy('id');

        return array_values(array_map(intval(...), $waiting->pluck('id')->all()));
    }

    /**
     * @param list<int> $ids
     * @return list<stdClass> with name and import of their files
     */
    public function several(array $ids): array
    {
        return array_values(
            DB::table('rows_set_aside as r')
                ->join('import_files as f', 'f.id', '=', 'r.import_file_id')
                ->whereIn('r.id', $ids)
                ->orderBy('r.id')
                ->get(['r.*', 'f.name', 'f.import_id'])
                ->all(),
        );
    }
}
