<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\DirectDebit\DirectDebits;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Collections by direct debit, prepared and sent. */
final readonly class DebitCollections
{
    public function __construct(private Settings $settings, private Mandates $mandates) {}

    /** @return list<DebitCollection> the latest first */
    public function all(): array
    {
        return array_values($this->rows()->orderByDesc('c.id')->limit(100)->get()->map($this->collection(...))->all());
    }

    /** @throws Refusal when there is no such collection */
    public function find(int $id): DebitCollection
    {
        $row = $this->rows()->where('c.id', $id)->first();

        return $row instanceof stdClass
            ? $this->collection($row)
            : throw Refusal::notFound('There is no such collection; it may have been discarded. Load the page again.');
    }

    /** The order as it was sent, or the bank's answer to it; blank when it was not. */
    public function file(int $id, string $part): string
    {
        return (string) DB::table('collections_sent')->where('collection_id', $id)->value($part === 'answer' ? 'answer' : 'file');
    }

    /** @return array<int, string> the batches whose receipts it became: name by id */
    public function batches(DebitCollection $collection): array
    {
        $lines = array_filter(array_map(static fn (CollectedDebit $debit): ?int => $debit->lineId, $collection->debits));
        $batches = DB::table('money_lines')->whereIn('id', $lines)->select('batch_id');

        return DB::table('batches')->whereIn('id', $batches)->orderBy('id')->pluck('reference', 'id')->map(strval(...))->all();
    }

    private function rows(): Builder
    {
        return DB::table('collections as c')
            ->leftJoin('collections_sent as s', 's.collection_id', '=', 'c.id')
            ->select(['c.*', 's.recorded_at as sent_at']);
    }

    private function collection(stdClass $row): DebitCollection
    {
        return new DebitCollection(
            $row->id,
            $row->collected_on,
            $this->settings->accounts()->withId($row->account_id),
            $row->who,
            $row->sent_at,
            $this->debits($row->id),
        );
    }

    /** @return list<CollectedDebit> */
    private function debits(int $collectionId): array
    {
        $rows = DB::table('collection_debits as d')
            ->leftJoin('collection_notices as n', 'n.debit_id', '=', 'd.id')
            ->leftJoin('collection_answers as a', 'a.debit_id', '=', 'd.id')
            ->leftJoin('money_lines as back', static fn ($join) => $join
                ->on('back.end_to_end', '=', 'd.end_to_end')
                ->where('back.amount', '<', 0)
                ->where('back.is_reversal', 1))
            ->where('d.collection_id', $collectionId)
            ->orderBy('d.id')
            ->get(['d.id', 'd.mandate_id', 'd.end_to_end', 'n.told_on', 'a.why', 'a.line_id', 'back.return_reason']);
        $mandates = $this->mandates->several(array_map(intval(...), array_values($rows->pluck('mandate_id')->all())));
        $items = $this->items($collectionId);
        $debits = [];
        foreach ($rows as $row) {
            $debits[] = new CollectedDebit(
                $row->id,
                $row->end_to_end,
                $mandates[$row->mandate_id],
                $items[$row->id],
                $row->told_on ?? '',
                $row->why,
                $row->line_id,
                $row->return_reason,
            );
        }

        return $debits;
    }

    /** @return array<int, non-empty-list<CollectedItem>> by debit, oldest due first */
    private function items(int $collectionId): array
    {
        $rows = DB::table('collection_items as c')
            ->join('collection_debits as d', 'd.id', '=', 'c.debit_id')
            ->join('items as i', static fn ($join) => $join->on('i.root_id', '=', 'c.item_id')->whereNull('i.superseded_at'))
            ->where('d.collection_id', $collectionId)
            ->orderBy('i.due_date')
            ->orderBy('i.document')
            ->get(['c.*', 'i.document', 'i.due_date']);
        $items = [];
        foreach ($rows as $row) {
            $items[(int) $row->debit_id][] = new CollectedItem(
                $row->item_id,
                $row->document,
                $row->due_date,
                Money::ofMinor($row->amount, DirectDebits::CURRENCY),
                Money::ofMinor($row->discount, DirectDebits::CURRENCY),
            );
        }

        return $items;
    }
}
