<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use App\Support\Pdf;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The document of a receipt: what it settled and what remains. */
final readonly class ReceiptPaper
{
    public function __construct(private Settings $settings, private Positions $positions, private Customers $customers) {}

    public function of(int $itemId, string $asOf): ReceiptDocument
    {
        $item = $this->positions->find($itemId);
        $day = max($asOf, $item->date);
        $open = [];
        foreach ($this->positions->openOf($item->head->account->controlAccountId, $item->head->account->customerId, $day) as $other) {
            if ($other->isDebit() && $other->open->isIn($item->amount->currency)) {
                $open[] = new ReceiptDocumentLine($other->document, $other->dueDate, $other->open);
            }
        }

        return new ReceiptDocument($item, $this->settled($item, $day), $open, $day);
    }

    public function pdf(ReceiptDocument $of): string
    {
        return Pdf::of('receipts.paper', [
            'of' => $of,
            'customer' => $this->customers->find($of->item->head->account->customerId),
            'booksName' => $this->settings->text(Setting::BooksName),
        ]);
    }

    /** @return list<ReceiptDocumentLine> each with all else that closed it, such as discount and deductions */
    private function settled(OpenItem $item, string $day): array
    {
        $matches = $this->matches('debit')->where('m.credit_item_id', $item->id)->get();
        $besides = $this->matches('credit')
            ->whereIn('m.debit_item_id', $matches->pluck('debit_item_id'))
            ->where('m.credit_item_id', '<>', $item->id)
            ->where('m.date', '<=', $day)
            ->get()
            ->groupBy('debit_item_id');
        $money = static fn (stdClass $row): Money => Money::ofMinor($row->amount, $item->amount->currency);
        $settled = [];
        foreach ($matches as $row) {
            $others = [];
            foreach ($besides[$row->debit_item_id] ?? [] as $of) {
                $others[] = new ReceiptDocumentLine(ucfirst(Kind::from($of->kind)->words())." {$of->document}", $of->date, $money($of));
            }
            $settled[] = new ReceiptDocumentLine($row->document, $row->date, $money($row), $others);
        }

        return $settled;
    }

    /** @param  string  $side whose documents are named, debit or credit */
    private function matches(string $side): Builder
    {
        return DB::table('matches as m')
            ->join('items as d', 'd.root_id', '=', "m.{$side}_item_id")
            ->whereNull('d.superseded_at')
            ->where('m.amount', '>', 0)
            ->whereNotExists(Matches::reversed(...))
            ->orderBy('m.id')
            ->select(['m.debit_item_id', 'm.amount', 'd.document', 'd.kind', 'd.date']);
    }
}
