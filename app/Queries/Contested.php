<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;
use Illuminate\Database\Query\Expression;
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

    /**
     * What of each item is contested at the day's end.
     *
     * @param ?list<int> $customerIds null: all
     * @return array<int, int> minor units of the item's currency, by item id
     */
    public function amounts(int $accountId, string $asOf, ?string $knownAt = null, ?array $customerIds = null): array
    {
        $known = static fn ($query, string $at) => $query->when($knownAt !== null, static fn ($of) => $of->where($at, '<=', $knownAt));
        $ended = static fn ($query) => $known(
            $query->from('contested_ends as e')->whereColumn('e.contested_id', 'c.id')->where('e.date', '<=', $asOf),
            'e.recorded_at',
        );

        return $known(DB::table('contested as c'), 'c.recorded_at')
            ->join('items as i', 'i.id', '=', 'c.item_id')
            // Few customers are found by themselves, and not among all of the account.
            ->where(new Expression($customerIds === null ? 'i.control_account_id' : '+i.control_account_id'), $accountId)
            ->where('c.date', '<=', $asOf)
            ->when($customerIds !== null, static fn ($query) => $query->whereIn('i.customer_id', $customerIds ?? []))
            ->whereNotExists($ended)
            ->groupBy('c.item_id')
            ->selectRaw('c.item_id, SUM(c.amount) AS contested')
            ->pluck('contested', 'item_id')
            ->map(static fn ($sum): int => (int) $sum)
            ->all();
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
