<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Run\RunKind;
use Illuminate\Support\Facades\DB;

/** Customers whom a closing run leaves alone. */
final class Blocks
{
    /** @return array<int, string> reason by customer */
    public function of(RunKind $kind): array
    {
        return DB::table('customer_blocks')
            ->where('kind', $kind->value)
            ->whereNotIn('id', DB::table('customer_blocks_lifted')->select('block_id'))
            ->orderBy('id')
            ->pluck('reason', 'customer_id')
            ->map(strval(...))
            ->all();
    }
}
