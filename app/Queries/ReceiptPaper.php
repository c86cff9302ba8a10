<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;
use App\Support\Pdf;
use Illuminate\Support\Facades\DB;

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

        return new ReceiptDocument($item, $this->settled($item), $open, $day);
    }

    public function pdf(ReceiptDocument $of): string
    {
        return Pdf::of('receipts.paper', [
            'of' => $of,
            'customer' => $this->customers->find($of->item->head->account->customerId),
            'booksName' => $this->settings->text(Setting::BooksName),
        ]);
    }

    /** @return list<ReceiptDocumentLine> */
    private function settled(OpenItem $item): array
    {
        $matches = DB::table('matches as m')->join('items as d', 'd.root_id', '=', 'm.debit_item_id')->whereNull('d.superseded_at')
            ->where('m.credit_item_id', $item->id)->where('m.amount', '>', 0)->whereNotExists(Matches::reversed(...))->orderBy('m.id');
        $settled = [];
        foreach ($matches->get(['d.document', 'd.date', 'm.amount']) as $row) {
            $settled[] = new ReceiptDocumentLine($row->document, $row->date, Money::ofMinor($row->amount, $item->amount->currency));
        }

        return $settled;
    }
}
