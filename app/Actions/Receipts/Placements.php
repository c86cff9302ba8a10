<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Refusal;
use App\Support\Actor;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Notes where a line of money was put, and takes that back. */
final readonly class Placements
{
    public function __construct(private Actor $actor) {}

    /** @throws Refusal when the line has a place already */
    public function put(int $lineId, PlacementKind $kind, string $reason = '', ?int $itemId = null, ?int $postingId = null, ?int $voucherId = null): int
    {
        if ($this->standing($lineId) !== null) {
            throw new Refusal('This line has been placed already. Load the page again.');
        }
        if ($postingId !== null && DB::table('placements as p')->where('p.posting_id', $postingId)->whereNotExists(static fn ($query) => $query->from('placement_reversals as r')->whereColumn('r.placement_id', 'p.id'))->exists()) {
            throw new Refusal('Another line confirms this posting already. Load the page again.');
        }
        DB::table('receipt_drafts')->where('line_id', $lineId)->delete();

        return DB::table('placements')->insertGetId([
            'line_id' => $lineId, 'kind' => $kind->value, 'item_id' => $itemId, 'posting_id' => $postingId, 'voucher_id' => $voucherId, 'reason' => trim($reason), 'who' => $this->actor->who,
            'recorded_at' => Moment::now(),
        ]);
    }

    public function takeBack(int $placementId, string $reason): void
    {
        DB::table('placement_reversals')->insert(['placement_id' => $placementId, 'reason' => trim($reason), 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
    }

    /** The placement of a line that stands. */
    public function standing(int $lineId): ?int
    {
        $id = DB::table('placements as p')->where('p.line_id', $lineId)->whereNotExists(static fn ($query) => $query->from('placement_reversals as r')->whereColumn('r.placement_id', 'p.id'))->value('p.id');

        return is_int($id) ? $id : null;
    }
}
