<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\EInvoice\Buyer;
use Ajuste\Core\Exchange\EInvoice\EInvoice;
use Ajuste\Core\Exchange\EInvoice\EInvoiceReader;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Refusal;
use App\Files\SourceFile;

/** An electronic invoice becomes a document with its lines, as if lists had brought them. */
final readonly class EInvoiceImporter
{
    public const KIND = 'e_invoice';

    public function __construct(private Books $books, private FileReport $report) {}

    public static function recognises(SourceFile $file): bool
    {
        return EInvoiceReader::recognises((string) file_get_contents($file->path, false, null, 0, 16_384));
    }

    /** @throws Refusal when it cannot be read or taken in; a row fault says which value */
    public function take(string $text): void
    {
        $invoice = EInvoiceReader::read($text);
        $this->report->rows = 1;
        $items = new ItemsImporter($this->books, $this->report, $this->report->fileId);
        $outcome = $items->take($this->item($invoice), 1) ?? Outcome::Same;
        $this->report->count($outcome);
        $lines = new FileReport($this->report->name, FileKind::ItemLines->value, new Mapping(FileKind::ItemLines, 1, []));
        $list = new ListImporter($this->books, $lines, $this->report->fileId);
        foreach ($invoice->lines as $place => $line) {
            $list->take([
                'document' => $invoice->head->number,
                'line' => $line->name === '' ? (string) ($place + 1) : $line->name,
                'description' => $line->description,
                'quantity' => $line->quantity,
                'unit_price' => $line->unitPrice,
                'net' => $line->net->decimal(),
                'tax_rate' => $line->taxRate,
                'account' => '',
            ], $place + 1);
        }
    }

    /** @return array<string, string> */
    private function item(EInvoice $invoice): array
    {
        $currency = $invoice->gross->currency;
        $base = $currency->code === $this->books->base()->code ? $invoice->gross->minor : $this->books->inBase(
            $invoice->gross,
            $invoice->head->date,
        );

        return [
            ...array_fill_keys(array_keys(FileKind::Items->fields()), ''),
            'document' => $invoice->head->number,
            'kind' => $invoice->head->kind->value,
            'customer' => $this->customer($invoice->buyer),
            'date' => $invoice->head->date,
            'due_date' => $invoice->head->dueDate,
            'currency' => $currency->code,
            'amount' => $invoice->gross->decimal(),
            'base_amount' => $this->books->money($base)->decimal(),
            'reference' => $invoice->head->reference,
        ];
    }

    /** @throws RowFault when no customer, or more than one, is meant */
    private function customer(Buyer $buyer): string
    {
        foreach ($buyer->numbers as $number) {
            if (isset($this->books->customers[$number])) {
                return $number;
            }
        }
        foreach ($buyer->taxNumbers as $number) {
            $found = $this->books->rows("SELECT customer FROM customers WHERE tax_id = ? AND tax_id <> ''", [$number]);
            if (count($found) === 1) {
                return (string) $found[0][0];
            }
        }
        $id = $this->books->customer($buyer->name);

        return (string) array_search($id, $this->books->customers, true);
    }
}
