<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;

/** Ajuste's own vouchers on their way into the accounting system (R2, home to the ledger). */
final readonly class HomeToTheLedger
{
    /** Vouchers that are asked about by one question. */
    private const TOGETHER = 500;

    /** @return list<int> every voucher, the latest first */
    public function ids(): array
    {
        return array_values(array_map(intval(...), DB::table('vouchers')->orderByDesc('id')->pluck('id')->all()));
    }

    public function stateOf(int $voucherId): string
    {
        return $this->vouchers([$voucherId])[0]->state ?? '';
    }

    /**
     * Where vouchers stand.
     *
     * @param list<int> $ids
     * @return list<VoucherState> the latest first
     */
    public function vouchers(array $ids): array
    {
        $vouchers = [];
        foreach (array_chunk($ids, self::TOGETHER) as $some) {
            array_push($vouchers, ...$this->some($some));
        }

        return $vouchers;
    }

    /**
     * @param list<int> $ids
     * @return list<VoucherState>
     */
    private function some(array $ids): array
    {
        return array_values(DB::table('vouchers as v')
            ->leftJoin('voucher_confirmations as c', 'c.voucher_id', '=', 'v.id')
            ->whereIn('v.id', $ids)
            ->orderByDesc('v.id')
            ->selectRaw(
                "v.id, v.number, v.date, v.text, v.who, v.recorded_at, c.recorded_at AS confirmed_at,
                (SELECT sum(max(base, 0)) FROM postings p WHERE p.voucher_id = v.id) AS total,
                (SELECT min(x.recorded_at) FROM exported_vouchers e JOIN journal_exports x ON x.id = e.export_id
                    WHERE e.voucher_id = v.id) AS exported_at,
                EXISTS (SELECT 1 FROM import_files f JOIN imports i ON i.id = f.import_id WHERE f.kind = 'ledger'
                    AND v.date BETWEEN f.first_date AND f.last_date
                    AND i.recorded_at > (SELECT min(x.recorded_at) FROM exported_vouchers e JOIN journal_exports x ON x.id = e.export_id
                        WHERE e.voucher_id = v.id)) AS passed_over",
            )
            ->get()
            ->map(
                static fn (object $row): VoucherState => new VoucherState(
                    $row->id,
                    $row->number,
                    $row->date,
                    $row->text,
                    $row->who,
                    $row->recorded_at,
                    (int) $row->total,
                    match (true) {
                        $row->confirmed_at !== null => 'taken over',
                        (bool) $row->passed_over => 'not brought back',
                        $row->exported_at !== null => 'exported',
                        default => 'to export',
                    },
                ),
            )
            ->all());
    }
}
