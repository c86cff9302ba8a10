<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Settlement\TaxedLine;
use Ajuste\Core\Subledger\OpenItem;
use Illuminate\Support\Collection;
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

    /**
     * @param list<OpenItem> $items
     * @return array<array-key, Collection<int, stdClass>> line and description, by document
     */
    public function described(array $items): array
    {
        return DB::table('item_lines')->whereIn('document', array_map(static fn (OpenItem $item): string => $item->document, $items))->orderBy('id')->get(['document', 'line', 'description'])->groupBy('document')->all();
    }
}
