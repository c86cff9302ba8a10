<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\ReferenceReader;
use Ajuste\Core\Settlement\ReturnedReceipt;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Which receipt came back with a line that went out. */
final class BankReturns
{
    /** The latest receipts that are looked at. */
    private const LATEST = 200;

    /** The most that are shown to choose from. */
    private const SHOWN = 8;

    /** @return list<ReturnedReceipt> the likeliest first */
    public function for(StatementLine $line): array
    {
        $taken = $line->amount->negated();
        $rows = $this->receipts($line, $taken);
        $candidates = array_map(
            static fn (stdClass $row): Candidate => new Candidate(
                $row->root_id,
                $row->document,
                Side::Credit,
                $row->date,
                $row->date,
                $row->amount,
                0,
                $row->reference,
            ),
            $rows,
        );
        $text = "{$line->origin->endToEnd} {$line->payer->remittance} {$line->reference}";
        $named = array_column(ReferenceReader::quoted($text, $candidates), null, 'id');
        $receipts = array_map(
            static fn (stdClass $row): ReturnedReceipt => new ReturnedReceipt(
                $row->root_id,
                $row->document,
                $row->name,
                $row->date,
                Money::ofMinor($row->amount, $taken->currency),
                isset($named[$row->root_id]),
                $taken,
            ),
            $rows,
        );
        $likely = array_values(array_filter($receipts, static fn (ReturnedReceipt $receipt): bool => $receipt->isLikely()));
        usort($likely, ReturnedReceipt::byLikelihood(...));

        return array_slice($likely, 0, self::SHOWN);
    }

    /** @return list<stdClass> receipts of about the amount that did not come back yet, the latest first */
    private function receipts(StatementLine $line, Money $taken): array
    {
        return array_values(
            DB::table('items as i')
                ->join('customers as c', 'c.id', '=', 'i.customer_id')
                ->whereIn('i.kind', [Kind::Receipt->value, Kind::Deposit->value])
                ->whereNull('i.superseded_at')
                ->where('i.currency', $taken->currency->code)
                ->where('i.date', '<=', $line->dates->booking)
                ->whereBetween('i.amount', [ReturnedReceipt::least($taken)->minor, $taken->minor])
                ->whereNotExists(self::tookBack(...))
                ->orderByDesc('i.date')
                ->limit(self::LATEST)
                ->get(['i.root_id', 'i.document', 'i.reference', 'i.date', 'i.amount', 'c.name'])
                ->all(),
        );
    }

    /** What took a receipt back already. */
    private static function tookBack(Builder $query): void
    {
        $query
            ->from('matches as m')
            ->join('items as d', 'd.id', '=', 'm.debit_item_id')
            ->whereColumn('m.credit_item_id', 'i.root_id')
            ->whereColumn('m.amount', 'i.amount')
            ->where('d.kind', Kind::Adjustment->value)
            ->whereColumn('d.reference', 'i.document');
    }
}
