<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\InvoiceLine;
use Ajuste\Core\Settlement\LinesLeft;
use Ajuste\Core\Settlement\Quantity;
use Ajuste\Core\Settlement\TaxedLine;
use Ajuste\Core\Subledger\OpenItem;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The lines of invoices: as their tax goes, and with what credit notes left of each. */
final readonly class InvoiceLines
{
    public function __construct(private Settings $settings) {}

    /** @return list<InvoiceLine> of one invoice; none where they are not known */
    public function of(OpenItem $invoice): array
    {
        $credited = $this->credited($invoice->id);
        $lines = [];
        foreach (DB::table('item_lines')->where('document', $invoice->document)->orderBy('id')->get() as $line) {
            $accounts = $this->settings->accounts();
            $lines[] = new InvoiceLine(
                $invoice->document,
                $line->line,
                $line->description,
                $line->account_id === null ? $accounts->withRole(AccountRole::SalesReductions) : $accounts->withId($line->account_id),
                self::rate($line),
                $line->net,
                $line->net - (int) ($credited[$line->line] ?? 0),
                new Quantity($line->quantity, $line->unit_price),
            );
        }

        return $lines;
    }

    /**
     * The lines as their tax goes.
     *
     * @param list<OpenItem> $items
     * @return array<string, list<TaxedLine>> by document
     */
    public function taxed(array $items): array
    {
        $lines = [];
        foreach ($this->rows($items) as $row) {
            $account = $row->account_id === null ? null : $this->settings->accounts()->withId($row->account_id);
            $lines[$row->document][] = new TaxedLine($row->net, self::rate($row), $account);
        }

        return $lines;
    }

    /**
     * What credit notes and earlier settlements that named them left of single lines, with their tax.
     *
     * @return array<array-key, int> minor units, by line
     */
    public function left(OpenItem $invoice): array
    {
        $credited = $this->credited($invoice->id);
        $lines = [];
        foreach ($this->rows([$invoice]) as $row) {
            $lines[$row->line] = max(0, (new TaxedLine($row->net - (int) ($credited[$row->line] ?? 0), self::rate($row)))->gross());
        }
        $settlements = DB::table('matched_lines as l')
            ->join('matches as m', static fn ($join) => $join->on('m.settlement_id', '=', 'l.settlement_id'))
            ->where('l.item_id', $invoice->id)
            ->where(static fn ($query) => $query->where('m.debit_item_id', $invoice->id)->orWhere('m.credit_item_id', $invoice->id))
            ->whereNotIn('m.id', DB::table('match_reversals')->select('match_id'))
            ->orderBy('l.settlement_id')
            ->orderBy('l.line')
            ->get(['l.settlement_id', 'l.line', 'm.id', 'm.amount'])
            ->groupBy('settlement_id')
            ->map(static fn (Collection $of): array => [
                array_values($of->pluck('line')->unique()->all()),
                (int) $of->unique('id')->sum('amount'),
            ]);

        return LinesLeft::of($lines, array_values($settlements->all()));
    }

    /**
     * The lines of the items, each with what is left of it, to be chosen from.
     *
     * @param list<OpenItem> $items
     * @return array<string, list<ChoosableLine>> by document
     */
    public function described(array $items): array
    {
        $described = [];
        foreach ($items as $item) {
            $left = $this->left($item);
            foreach ($this->rows([$item]) as $row) {
                $described[$item->document][] = new ChoosableLine(
                    $row->line,
                    $row->description,
                    Money::ofMinor($left[$row->line], $item->amount->currency),
                );
            }
        }

        return $described;
    }

    /**
     * @param list<OpenItem> $items
     * @return Collection<int, stdClass>
     */
    private function rows(array $items): Collection
    {
        $documents = array_values(array_unique(array_map(static fn (OpenItem $item): string => $item->document, $items)));

        return DB::table('item_lines')
            ->whereIn('document', $documents)
            ->orderBy('id')
            ->get(['document', 'line', 'description', 'net', 'tax_rate', 'account_id']);
    }

    /** @return array<array-key, mixed> net that credit notes took of each line */
    private function credited(int $itemId): array
    {
        return DB::table('credit_note_lines as l')
            ->join('credit_notes as n', 'n.id', '=', 'l.credit_note_id')
            ->where('l.invoice_item_id', $itemId)
            ->whereNotIn('n.item_id', DB::table('item_reversals')->select('item_id'))
            ->groupBy('l.line')
            ->selectRaw('l.line, sum(l.net) AS net')
            ->pluck('net', 'line')
            ->all();
    }

    private static function rate(stdClass $line): string
    {
        return is_numeric($line->tax_rate) ? (string) $line->tax_rate : '0';
    }
}
