<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Money\Currency;
use App\Support\Moment;

/** Matches on the payables side. Those that an own contra wrote come back and confirm it; bills stay as open as their own file says. */
final class SupplierMatchesImporter extends Importer
{
    private const CREDITS = ['bill_credit', 'payment', 'contra'];

    public function take(array $row, int $number): Outcome
    {
        [$bill, $supplier, $code] = $this->item('bill', $row['bill'], ['bill']);
        [$credit, $of, $currency] = $this->item('credit_document', $row['credit_document'], self::CREDITS, $supplier);
        if ([$of, $currency] !== [$supplier, $code]) {
            throw new RowFault('credit_document', $row['credit_document'], "a document of the bill's supplier and currency is expected");
        }
        $amount = $this->books->positive('amount', $row['amount'], Currency::of($code));
        $this->report->sawDate($row['date']);
        $stands = $this->books->rows('SELECT amount FROM supplier_matches WHERE date = ? AND bill_id = ? AND credit_id = ?', [
            $row['date'],
            $bill,
            $credit,
        ]);
        if ($stands === [[$amount]]) {
            return Outcome::Same;
        }
        if ($stands !== []) {
            throw new RowFault('amount', $row['amount'], 'the amount that came before is expected; a match is never changed');
        }
        $this->books->write('INSERT INTO supplier_matches (date, bill_id, credit_id, amount, recorded_at) VALUES (?, ?, ?, ?, ?)', [
            $row['date'],
            $bill,
            $credit,
            $amount,
            Moment::now(),
        ]);

        return $this->isOwn($bill, $row['credit_document'], $amount) ? Outcome::Confirms : Outcome::New;
    }

    /**
     * @param non-empty-list<string> $kinds
     * @return array{int, int, string} its key, supplier and currency
     */
    private function item(string $field, string $document, array $kinds, ?int $supplier = null): array
    {
        $found = $this->books->rows(
            'SELECT id, supplier_id, currency FROM supplier_items WHERE document = ? AND kind IN ('
                .implode(', ', array_map(static fn (string $kind): string => "'{$kind}'", $kinds))
                .') ORDER BY supplier_id IS ? DESC, id LIMIT 1',
            [$document, $supplier],
        );
        if ($found === []) {
            throw new RowFault($field, $document, 'a document of supplier_items.csv is expected');
        }

        return [(int) $found[0][0], (int) $found[0][1], (string) $found[0][2]];
    }

    private function isOwn(int $bill, string $contra, int $amount): bool
    {
        return $this->books->rows(
            'SELECT 1 FROM supplier_contra_bills b JOIN items i ON i.id = b.item_id WHERE b.supplier_item_id = ? AND i.document = ? '
                .'AND b.amount = ?',
            [$bill, $contra, $amount],
        ) !== [];
    }
}
