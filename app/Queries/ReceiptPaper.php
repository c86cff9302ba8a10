<?php

declare(strict_types=1);

namespace App\Queries;

use App\Support\Pdf;

/** The document of a receipt: what it settled and what remains. */
final readonly class ReceiptPaper
{
    public function __construct(
        private Positions $positions,
        private Customers $customers,
        private SettledDocuments $settled,
    ) {}

    public function of(int $itemId, string $asOf): ReceiptDocument
    {
        $item = $this->positions->find($itemId);
        $day = max($asOf, $item->date);
        $open = [];
        foreach ($this->positions->openOf($item->head->account->controlAccountId, $item->head->account->customerId, $day) as $other) {
            if ($other->isDebit() && $other->open->isIn($item->amount->currency)) {
                $open[] = new PaperLine($other->document, $other->dueDate, $other->open);
            }
        }

        return new ReceiptDocument($item, $this->settled->by($item, $day), $open, $day);
    }

    public function pdf(ReceiptDocument $of): string
    {
        return Pdf::of('receipts.paper', [
            'of' => $of,
            'customer' => $this->customers->find($of->item->head->account->customerId),
        ]);
    }
}
