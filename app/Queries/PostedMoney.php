<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Money that has its place: what confirms it, and what it became. */
final class PostedMoney
{
    /** A posting that a line may confirm; null when there is none. */
    public function find(int $postingId): ?stdClass
    {
        $row = DB::table('postings as p')
            ->join('accounts as a', 'a.id', '=', 'p.account_id')
            ->where('p.id', $postingId)
            ->first(['p.*', 'a.account as number', 'a.name as account_name']);

        return $row instanceof stdClass ? $row : null;
    }

    /**
     * Entries of postings, with what they say.
     *
     * @param list<int> $postingIds
     * @return array<int, stdClass> entry, description, document, by posting
     */
    public function entries(array $postingIds): array
    {
        return DB::table('postings')
            ->whereIn('id', $postingIds)
            ->get(['id', 'entry', 'description', 'document', 'customer'])
            ->keyBy('id')
            ->all();
    }

    /** Where a line was put, while that stands: kind, reason, who, item_id, posting_id, voucher_id; null when it has no place. */
    public function placeOf(int $lineId): ?stdClass
    {
        $row = DB::table('placements as p')->where('p.line_id', $lineId)->whereNotExists(StatementLines::reversed(...))->first();

        return $row instanceof stdClass ? $row : null;
    }

    /** How often a line was placed, placements that were taken back included. */
    public function timesPlaced(int $lineId): int
    {
        return DB::table('placements')->where('line_id', $lineId)->count();
    }

    /** The receipt or deposit that a line became. */
    public function receiptOf(int $lineId): ?int
    {
        $id = DB::table('placements as p')
            ->where('p.line_id', $lineId)
            ->where('p.kind', 'receipt')
            ->whereNotExists(StatementLines::reversed(...))
            ->value('p.item_id');

        return is_int($id) ? $id : null;
    }

    /**
     * Where a receipt came from and whether the bank confirms it: its own line, and the line that confirms its posting.
     *
     * @return list<stdClass> of, kind, party, remittance, booking_date, way, reference
     */
    public function linesOf(int $itemId, string $entry): array
    {
        return array_values(
            DB::table('placements as p')
                ->join('money_lines as l', 'l.id', '=', 'p.line_id')
                ->leftJoin('postings as o', 'o.id', '=', 'p.posting_id')
                ->whereNotExists(StatementLines::reversed(...))
                ->where(
                    static fn ($query) => $query
                        ->where('p.item_id', $itemId)
                        ->when($entry !== '', static fn ($inner) => $inner->orWhere('o.entry', $entry)),
                )
                ->orderBy('p.id')
                ->limit(20)
                ->get([
                    'p.id',
                    'p.kind',
                    'l.party',
                    'l.remittance',
                    'l.booking_date',
                    'l.way',
                    'l.reference',
                    'l.amount',
                    'l.currency',
                    'l.batch_id',
                ])
                ->all(),
        );
    }

    /** @return Paginator<int, stdClass> */
    public function placements(string $asOf): Paginator
    {
        /** @var Paginator<int, stdClass> */
        return DB::table('placements as p')
            ->join('money_lines as l', 'l.id', '=', 'p.line_id')
            ->leftJoin('placement_reversals as back', 'back.placement_id', '=', 'p.id')
            ->leftJoin('items as i', 'i.id', '=', 'p.item_id')
            ->leftJoin('customers as c', 'c.id', '=', 'i.customer_id')
            ->leftJoin('postings as o', 'o.id', '=', 'p.posting_id')
            ->where('l.booking_date', '<=', $asOf)
            ->orderByDesc('p.id')
            ->select([
                'p.*',
                'l.booking_date',
                'l.amount',
                'l.currency',
                'l.party',
                'l.remittance',
                'l.reference',
                'l.way',
                'c.name',
                'c.id as customer_id',
                'i.document',
                'o.entry',
                'back.reason as back_reason',
                'back.recorded_at as back_at',
            ])
            ->simplePaginate(100)
            ->withQueryString();
    }
}
