<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Http\Paper;
use App\Models\Customer;
use Illuminate\Support\Facades\DB;

/** The document of a receipt: what it settled and what remains. */
final readonly class ReceiptPaper
{
    public function __construct(private Settings $settings, private Positions $positions) {}

    public function of(int $itemId, string $asOf): ReceiptDocument
    {
        $item = $this->positions->find($itemId);
        $settled = [];
        foreach (DB::table('matches as m')->join('items as d', 'd.root_id', '=', 'm.debit_item_id')->whereNull('d.superseded_at')->where('m.credit_item_id', $itemId)->whereNotExists(Matches::reversed(...))->where('m.amount', '>', 0)->orderBy('m.id')->get(['d.document', 'd.date', 'm.amount']) as $row) {
            $settled[] = new ReceiptDocumentLine($row->document, $row->date, Money::ofMinor($row->amount, $item->amount->currency));
        }
        $open = array_values(array_filter($this->positions->openItems($item->controlAccountId, $item->customerId, max($asOf, $item->date)), static fn (OpenItem $other): bool => $other->side === Side::Debit && $other->open->currency->code === $item->amount->currency->code));

        return new ReceiptDocument($item, $settled, array_map(static fn (OpenItem $other): ReceiptDocumentLine => new ReceiptDocumentLine($other->document, $other->dueDate, $other->open), $open), max($asOf, $item->date));
    }

    public function pdf(ReceiptDocument $of): string
    {
        return Paper::of('receipts.paper', ['of' => $of, 'customer' => Customer::query()->findOrFail($of->item->customerId), 'booksName' => $this->settings->text(Setting::BooksName)]);
    }
}
