<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\ReferenceReader;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Which receipt came back with a line that went out: named by the bank first, then of the same amount, the latest first. */
final class BankReturns
{
    /** @return list<stdClass> root_id, document, date, amount, currency, name, named, same, fee */
    public function for(MoneyLine $line): array
    {
        $rows = DB::table('items as i')->join('customers as c', 'c.id', '=', 'i.customer_id')->whereIn('i.kind', [Kind::Receipt->value, Kind::Deposit->value])->whereNull('i.superseded_at')
            ->where('i.currency', $line->amount->currency->code)->where('i.date', '<=', $line->bookingDate)->whereBetween('i.amount', [-$line->amount->minor - 10_000, -$line->amount->minor])
            ->whereNotExists(static fn ($query) => $query->from('matches as m')->join('items as d', 'd.id', '=', 'm.debit_item_id')->whereColumn('m.credit_item_id', 'i.root_id')->whereColumn('m.amount', 'i.amount')->where('d.kind', Kind::Adjustment->value)->whereColumn('d.reference', 'i.document'))
            ->orderByDesc('i.date')->limit(200)->get(['i.root_id', 'i.document', 'i.reference', 'i.date', 'i.amount', 'i.currency', 'c.name'])->all();
        $candidates = array_map(static fn (stdClass $row): Candidate => new Candidate($row->root_id, $row->document, Side::Credit, $row->date, $row->date, $row->amount, 0, $row->reference), $rows);
        $named = array_map(static fn (Candidate $of): int => $of->id, ReferenceReader::quoted("{$line->endToEnd} {$line->remittance} {$line->reference}", array_values($candidates)));
        foreach ($rows as $row) {
            $row->named = in_array($row->root_id, $named, true);
            $row->same = $row->amount === -$line->amount->minor;
            $row->fee = $line->charges->minor - $line->amount->minor - $row->amount;
        }
        $rows = array_values(array_filter($rows, static fn (stdClass $row): bool => $row->named || $row->same));
        usort($rows, static fn (stdClass $one, stdClass $other): int => [$other->named, $other->same, $other->date] <=> [$one->named, $one->same, $one->date]);

        return array_slice($rows, 0, 8);
    }
}
