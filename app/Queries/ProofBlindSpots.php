<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Proof\NumberGaps;
use Ajuste\Core\Subledger\Kind;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What a proof cannot see, since both sides agree on it (R12). */
final class ProofBlindSpots
{
    private const MOST = 500;

    /** @return list<stdClass> document, amount, times: the same document and amount on both sides more than once */
    public function twiceOnBothSides(Account $account, string $asOf): array
    {
        return array_values(
            DB::table('items as i')
                ->where('i.control_account_id', $account->id)
                ->where('i.date', '<=', $asOf)
                ->whereNull('i.superseded_at')
                ->where('i.document', '<>', '')
                ->where('i.amount', '>', 0)
                ->groupBy('i.document', 'i.side', 'i.base')
                ->havingRaw('count(*) > 1')
                ->selectRaw(
                    "i.document, CASE i.side WHEN 'debit' THEN i.base ELSE -i.base END AS amount, count(*) AS times, min(i.root_id) AS "
                        .'item',
                )
                ->orderBy('i.document')
                ->limit(self::MOST)
                ->get()
                ->filter(
                    static fn (stdClass $row): bool => DB::table('postings')
                        ->where('account_id', $account->id)
                        ->where('document', $row->document)
                        ->where('base', $row->amount)
                        ->where('date', '<=', $asOf)
                        ->whereNull('superseded_at')
                        ->count() > 1,
                )
                ->all(),
        );
    }

    /** @return list<array{string, string, int}> first and last number missing and how many */
    public function gaps(Account $account, string $asOf): array
    {
        return NumberGaps::in(
            DB::table('items')
                ->where('control_account_id', $account->id)
                ->whereIn('kind', Kind::salesDocuments())
                ->where('date', '<=', $asOf)
                ->whereNull('superseded_at')
                ->distinct()
                ->pluck('document')
                ->all(),
        );
    }

    /** @return list<stdClass> receipt, item, name, quoted, other: a receipt that quotes a document of another customer */
    public function quotesAnother(Account $account, string $asOf): array
    {
        return array_values(
            DB::table('items as r')
                ->join(
                    'items as d',
                    static fn ($join) => $join
                        ->on('d.document', '=', 'r.reference')
                        ->on('d.control_account_id', '=', 'r.control_account_id'),
                )
                ->join('customers as c', 'c.id', '=', 'r.customer_id')
                ->join('customers as o', 'o.id', '=', 'd.customer_id')
                ->where('r.control_account_id', $account->id)
                ->where('r.kind', Kind::Receipt->value)
                ->where('r.reference', '<>', '')
                ->where('r.date', '<=', $asOf)
                ->whereNull('r.superseded_at')
                ->whereNull('d.superseded_at')
                ->whereIn('d.kind', Kind::invoices())
                ->whereNotExists(
                    static fn ($query) => $query
                        ->from('items as own')
                        ->whereColumn('own.document', 'r.reference')
                        ->whereColumn('own.customer_id', 'r.customer_id')
                        ->whereNull('own.superseded_at'),
                )
                ->orderBy('r.date')
                ->limit(self::MOST)
                ->get([
                    'r.document as receipt',
                    'r.root_id as item',
                    'c.name',
                    'd.document as quoted',
                    'd.root_id as other_item',
                    'o.name as other',
                    'r.date',
                    'r.base',
                ])
                ->all(),
        );
    }
}
