<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** All that happened to a document, in words, the latest first. */
final class DocumentHistory
{
    /** @return list<HistoryEntry> */
    public function of(int $itemId): array
    {
        $entries = [...$this->versions($itemId), ...$this->matches($itemId), ...$this->acts($itemId)];
        usort($entries, static fn (HistoryEntry $one, HistoryEntry $other): int => $other->at <=> $one->at);

        return $entries;
    }

    /** @return list<HistoryEntry> */
    private function versions(int $itemId): array
    {
        $rows = DB::table('items as i')
            ->leftJoin('import_files as f', 'f.id', '=', 'i.import_file_id')
            ->leftJoin('imports as m', 'm.id', '=', 'f.import_id')
            ->leftJoin('vouchers as v', 'v.id', '=', 'i.voucher_id')
            ->where('i.root_id', $itemId)
            ->orderBy('i.version')
            ->get([
                'i.version',
                'i.recorded_at',
                'i.source_row',
                'f.name',
                'f.import_id',
                'm.who as handed_in_by',
                'v.id as voucher_id',
                'v.number',
                'v.who as posted_by',
            ]);

        return array_values(
            $rows
                ->map(
                    static fn (stdClass $row): HistoryEntry => $row->voucher_id !== null
                        ? new HistoryEntry($row->recorded_at, $row->posted_by, "Posted here by voucher {$row->number}", [
                            'voucher',
                            $row->voucher_id,
                        ])
                        : new HistoryEntry(
                            $row->recorded_at,
                            (string) $row->handed_in_by,
                            ($row->version === 1 ? 'Came in with ' : 'Changed by ')."{$row->name}, row {$row->source_row}",
                            ['import', $row->import_id],
                        ),
                )
                ->all(),
        );
    }

    /** @return list<HistoryEntry> */
    private function matches(int $itemId): array
    {
        $entries = [];
        foreach ($this->matchRows($itemId) as $row) {
            $with =
                Money::ofMinor($row->amount, $row->currency)->grouped().
                ' '.
                $row->currency.
                ' with '.
                Kind::from($row->kind)->words().
                " {$row->document}";
            $opens = $row->settlement_id === null ? ['document', $row->root_id] : ['match', $row->settlement_id];
            $entries[] = new HistoryEntry(
                $row->recorded_at,
                (string) ($row->who ?? $row->handed_in_by),
                "Matched {$with}, effective {$row->date}",
                $opens,
            );
            if ($row->back_at !== null) {
                $entries[] = new HistoryEntry(
                    $row->back_at,
                    $row->back_by,
                    "Match of {$with} reversed as of {$row->back_on}: {$row->reason}",
                    $opens,
                );
            }
        }

        return $entries;
    }

    /** @return Collection<int, stdClass> matches of the item, each with what it was matched with and how it was taken back */
    private function matchRows(int $itemId): Collection
    {
        return DB::table('matches as m')
            ->join(
                'items as o',
                static fn ($join) => $join->on(
                    'o.id',
                    '=',
                    DB::raw("CASE WHEN m.debit_item_id = {$itemId} THEN m.credit_item_id ELSE m.debit_item_id END"),
                ),
            )
            ->leftJoin('settlements as s', 's.id', '=', 'm.settlement_id')
            ->leftJoin('import_files as f', 'f.id', '=', 'm.import_file_id')
            ->leftJoin('imports as p', 'p.id', '=', 'f.import_id')
            ->leftJoin('match_reversals as r', 'r.match_id', '=', 'm.id')
            ->where(static fn ($query) => $query->where('m.debit_item_id', $itemId)->orWhere('m.credit_item_id', $itemId))
            ->where('m.amount', '>', 0)
            ->get([
                'm.date',
                'm.amount',
                'm.recorded_at',
                'm.settlement_id',
                'o.kind',
                'o.document',
                'o.root_id',
                'o.currency',
                's.who',
                'p.who as handed_in_by',
                'r.date as back_on',
                'r.reason',
                'r.who as back_by',
                'r.recorded_at as back_at',
            ]);
    }

    /** @return list<HistoryEntry> what the trail tells of it, and how it was contested */
    private function acts(int $itemId): array
    {
        $entries = array_values(
            DB::table('audit_records')
                ->where('subject', "item {$itemId}")
                ->orderBy('id')
                ->get(['recorded_at', 'who', 'what', 'why'])
                ->map(
                    static fn (stdClass $row): HistoryEntry => new HistoryEntry(
                        $row->recorded_at,
                        $row->who,
                        ucfirst($row->what).($row->why === '' ? '' : ": {$row->why}"),
                    ),
                )
                ->all(),
        );
        foreach (
            DB::table('contested as c')
                ->join('deduction_reasons as d', 'd.id', '=', 'c.reason_id')
                ->join('items as i', 'i.root_id', '=', 'c.item_id')
                ->leftJoin('contested_ends as e', 'e.contested_id', '=', 'c.id')
                ->whereNull('i.superseded_at')
                ->where('c.item_id', $itemId)
                ->get(['c.*', 'd.words', 'i.currency', 'e.reason', 'e.who as ended_by', 'e.recorded_at as ended_at']) as $row
        ) {
            $amount = Money::ofMinor($row->amount, $row->currency)->grouped().' '.$row->currency;
            $entries[] = new HistoryEntry($row->recorded_at, $row->who, "{$amount} contested since {$row->date}: {$row->words}");
            if ($row->ended_at !== null) {
                $entries[] = new HistoryEntry($row->ended_at, $row->ended_by, "{$amount} no longer contested: {$row->reason}");
            }
        }

        return $entries;
    }
}
