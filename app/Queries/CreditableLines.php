<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;
use stdClass;

/** Lines of an invoice with what earlier credit notes left of each. */
final class CreditableLines
{
    /** @return list<stdClass> line, description, quantity, unit_price, net, tax_rate, account_id, rest */
    public function of(int $itemId, string $document): array
    {
        $credited = DB::table('credit_note_lines as l')->join('credit_notes as n', 'n.id', '=', 'l.credit_note_id')->where('l.invoice_item_id', $itemId)
            ->whereNotIn('n.item_id', DB::table('item_reversals')->select('item_id'))->groupBy('l.line')->selectRaw('l.line, sum(l.net) AS net')->pluck('net', 'line')->all();

        return array_values(DB::table('item_lines')->where('document', $document)->orderBy('id')->get(['line', 'description', 'quantity', 'unit_price', 'net', 'tax_rate', 'account_id'])
            ->each(static function (stdClass $line) use ($credited): void {
                $line->rest = $line->net - (int) ($credited[$line->line] ?? 0);
            })->all());
    }
}
