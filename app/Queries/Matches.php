<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Matches with the documents that they tie together and, where they were taken back, when and why. */
final readonly class Matches
{
    /** @return Collection<int, \stdClass> */
    public function ofItem(int $itemId): Collection
    {
        return $this->all()
            ->where(static fn (Builder $query) => $query->where('m.debit_item_id', $itemId)->orWhere('m.credit_item_id', $itemId))
            ->orderBy('m.date')
            ->orderBy('m.id')
            ->get();
    }

    /** @return Collection<int, \stdClass> */
    public function ofSettlement(int $settlementId): Collection
    {
        return $this->all()->where('m.settlement_id', $settlementId)->orderBy('m.id')->get();
    }

    /** Matches that were not reversed. */
    public static function standing(): Builder
    {
        return DB::table('matches as m')->whereNotExists(self::reversed(...));
    }

    /** The reversal of a match `m`. */
    public static function reversed(Builder $query): void
    {
        $query->from('match_reversals as taken')->whereColumn('taken.match_id', 'm.id');
    }

    private function all(): Builder
    {
        return DB::table('matches as m')
            ->join('items as d', 'd.id', '=', 'm.debit_item_id')
            ->join('items as c', 'c.id', '=', 'm.credit_item_id')
            ->leftJoin('match_reversals as r', 'r.match_id', '=', 'm.id')
            ->leftJoin('settlements as s', 's.id', '=', 'm.settlement_id')
            ->select([
                'm.*',
                'd.document as debit_document',
                'd.kind as debit_kind',
                'd.currency',
                'c.document as credit_document',
                'c.kind as credit_kind',
                's.who',
                'r.date as reversed_on',
                'r.reason',
                'r.who as reversed_by',
            ]);
    }
}
