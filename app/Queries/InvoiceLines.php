<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Settlement\TaxedLine;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The lines of an invoice as its tax goes. */
final class InvoiceLines
{
    /** @return array<array-key, TaxedLine> by the line's name */
    public function of(string $document): array
    {
        return DB::table('item_lines')->where('document', $document)->orderBy('id')->get(['line', 'net', 'tax_rate'])->keyBy('line')
            ->map(static fn (stdClass $line): TaxedLine => new TaxedLine($line->net, is_numeric($line->tax_rate) ? (string) $line->tax_rate : '0'))->all();
    }
}
