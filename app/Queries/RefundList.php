<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Refunds and how far each has come. */
final class RefundList
{
    /** @return list<stdClass> transfers that a second person approved and no order has asked the bank for */
    public function toOrder(): array
    {
        return array_values(
            $this->rows()
                ->where('r.way', 'transfer')
                ->whereNull('o.order_id')
                ->whereNull('back.reason')
                ->whereNotNull('ok.who')
                ->orderBy('r.id')
                ->get()
                ->all(),
        );
    }

    /** @return list<int> the latest first */
    public function ids(): array
    {
        return array_values(array_map(intval(...), DB::table('refunds')->orderByDesc('id')->pluck('id')->all()));
    }

    /**
     * @param list<int> $ids
     * @return list<stdClass> the latest first, each with `confirmed`
     */
    public function several(array $ids): array
    {
        $rows = $this->rows()->whereIn('r.id', $ids)->orderByDesc('r.id')->get();
        $confirmed = self::confirmations()->whereIn('o.voucher_id', $rows->pluck('voucher_id'))->pluck('o.voucher_id')->flip();

        return array_values($rows->each(static function (stdClass $row) use ($confirmed): void {
            $row->confirmed = $confirmed->has($row->voucher_id);
        })->all());
    }

    /** The refund that an item is, if it is one. */
    public function ofItem(int $itemId): ?stdClass
    {
        return $this->rows()->where('r.item_id', $itemId)->first();
    }

    /** Whether a line of a statement confirms the posting in transit. */
    public function isConfirmed(int $voucherId): bool
    {
        return self::confirmations()->where('o.voucher_id', $voucherId)->exists();
    }

    /** Postings that lines of a statement confirm. */
    private static function confirmations(): Builder
    {
        return DB::table('placements as p')
            ->join('postings as o', 'o.id', '=', 'p.posting_id')
            ->whereNotExists(StatementLines::reversed(...));
    }

    /** Whether the bank has brought it back: a line with its name that came in and has no place yet. */
    public function hasComeBack(string $document): bool
    {
        return DB::table('money_lines as l')
            ->where('l.end_to_end', $document)
            ->where('l.amount', '>', 0)
            ->whereNotExists(
                static fn (Builder $query) => $query
                    ->from('placements as p')
                    ->whereColumn('p.line_id', 'l.id')
                    ->whereNotExists(StatementLines::reversed(...)),
            )
            ->exists();
    }

    /** A payment order as it was sent, or the bank's answer to it; blank when there is none. */
    public function orderFile(int $orderId, string $part): string
    {
        return (string) DB::table('payment_orders')
            ->where('id', $orderId)
            ->value($part === 'answer' ? 'answer' : 'file');
    }

    /** When the customer's account number was last changed for another one, blank where it never was. */
    public function ibanChangedAt(int $customerId): string
    {
        $had = DB::table('customer_ibans')->where('customer_id', $customerId)->orderByDesc('recorded_at')->pluck('recorded_at');

        return $had->count() > 1 ? (string) $had->first() : '';
    }

    private function rows(): Builder
    {
        return DB::table('refunds as r')
            ->join('items as i', 'i.root_id', '=', 'r.item_id')
            ->leftJoin('items as c', static fn ($join) => $join->on('c.root_id', '=', 'r.credit_item_id')->whereNull('c.superseded_at'))
            ->leftJoin('refunds_approved as ok', 'ok.refund_id', '=', 'r.id')
            ->leftJoin('refunds_ordered as o', 'o.refund_id', '=', 'r.id')
            ->leftJoin('item_reversals as back', 'back.item_id', '=', 'r.item_id')
            ->select([
                'r.*',
                'i.document',
                'i.amount',
                'i.currency',
                'i.date',
                'i.customer_id',
                'c.document as credit',
                'c.kind as credit_kind',
                'o.order_id',
                'o.status',
                'o.why',
                'back.reason as back_reason',
                'ok.who as approved_by',
            ]);
    }
}
