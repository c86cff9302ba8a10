<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Subledger\Side;
use Illuminate\Support\Facades\DB;

/** In which currency items settle each other: that of the debits; where only credits are named, the first one's. */
final readonly class ItemCurrencies
{
    public function __construct(private Settings $settings) {}

    /** @param  list<int>  $itemIds in the order in which they were ticked */
    public function settling(array $itemIds): Currency
    {
        $rows = DB::table('items')
            ->whereIn('root_id', $itemIds)
            ->whereNull('superseded_at')
            ->get(['root_id', 'side', 'currency'])
            ->keyBy('root_id');
        $first = null;
        foreach ($itemIds as $id) {
            $row = $rows[$id] ?? null;
            if ($row !== null && $row->side === Side::Debit->value) {
                return Currency::of($row->currency);
            }
            $first ??= $row?->currency;
        }

        return $first === null ? $this->settings->base() : Currency::of($first);
    }
}
