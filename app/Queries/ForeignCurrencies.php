<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;

/** Currencies in which the books have rates. */
final class ForeignCurrencies
{
    /** @return list<string> codes */
    public function inUse(): array
    {
        return array_values(array_map(strval(...), DB::table('rates')->distinct()->orderBy('currency')->pluck('currency')->all()));
    }
}
