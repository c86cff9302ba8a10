<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Amounts that customers dispute: they stay open on their invoices and are chased. */
final class Contested
{
    /**
     * @param list<OpenItem> $items
     * @return array<int, list<ContestedAmount>> by item id, as of the day
     */
    public function of(array $items, string $asOf): array
    {
        $found = [];
        foreach (array_chunk(array_map(static fn (OpenItem $item): int => $item->id, $items), 500) as $some) {
            $rows = DB::table('contested as c')
                ->join('deduction_reasons as r', 'r.id', '=', 'c.reason_id')
                ->join('items as i', 'i.id', '=', 'c.item_id')
                ->whereIn('c.item_id', $some)
                ->where('c.date', '<=', $asOf)
                ->whereNotExists(
                    static fn ($query) => $query
                        ->from('contested_ends as e')
                        ->whereColumn('e.contested_id', 'c.id')
                        ->where('e.date', '<=', $asOf),
                )
                ->orderBy('c.id')
                ->get(['c.id', 'c.item_id', 'c.amount', 'c.owner', 'c.date', 'r.words', 'i.currency', 'i.document']);
            foreach ($rows as $row) {
                $found[(int) $row->item_id][] = self::amount($row);
            }
        }

        return $found;
    }

    private static function amount(stdClass $row): ContestedAmount
    {
        return new ContestedAmount(
            $row->id,
            $row->item_id,
            $row->document,
            Money::ofMinor($row->amount, $row->currency),
            $row->words,
            $row->owner,
            $row->date,
        );
    }
}
