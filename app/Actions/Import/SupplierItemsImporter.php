<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Money\Currency;

/** Suppliers' items as the payables side exports them; they are kept current, not posted here. */
final class SupplierItemsImporter extends Importer
{
    /** @var array<string, int> */
    private array $places = [];

    public function take(array $row, int $number): Outcome
    {
        $supplier = $this->books->supplier($row['supplier']);
        $values = $this->values($row);
        $key = "{$supplier}\0{$row['document']}\0{$row['kind']}";
        $place = $this->places[$key] = ($this->places[$key] ?? 0) + 1;
        $found = $this->books->rows(
            'SELECT id, date, due_date, currency, amount, base, open, reference, carrying, blocked FROM supplier_items '
                .'WHERE supplier_id = ? AND document = ? AND kind = ? AND occurrence = ?',
            [$supplier, $row['document'], $row['kind'], $place],
        );
        $this->report->sawDate($row['date']);
        if ($found === []) {
            $this->books->write(
                'INSERT INTO supplier_items (supplier_id, document, kind, occurrence, date, due_date, currency, amount, base, open, '
                    .'reference, carrying, blocked) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
                [$supplier, $row['document'], $row['kind'], $place, ...$values],
            );

            return Outcome::New;
        }
        if (array_slice($found[0], 1) === $values) {
            return Outcome::Same;
        }
        $this->books->write(
            'UPDATE supplier_items SET date = ?, due_date = ?, currency = ?, amount = ?, base = ?, open = ?, reference = ?, '
                .'carrying = ?, blocked = ? WHERE id = ?',
            [...$values, (int) $found[0][0]],
        );

        return $this->changed($row['document']);
    }

    /**
     * @param array<string, string> $row
     * @return list<int|string|null> in the order of the columns
     */
    private function values(array $row): array
    {
        $currency = Currency::of($row['currency']);
        $inBase = fn (string $field): int => $this->books->notNegative($field, $row[$field], $this->books->base());
        $amount = $this->books->positive('amount', $row['amount'], $currency);
        if ($row['base_amount'] === '' && $currency->code !== $this->books->base()->code) {
            throw new RowFault('base_amount', '', "the amount in {$this->books->base()->code} is expected");
        }
        if (! in_array($row['blocked'], ['', 'yes', 'no'], true)) {
            throw new RowFault('blocked', $row['blocked'], 'yes or no is expected');
        }
        // A payment or contra that names its bill is used for it.
        $whole = $row['reference'] !== '' && in_array($row['kind'], ['payment', 'contra'], true) ? 0 : $amount;
        $open = $row['open'] === '' ? $whole : $this->books->notNegative('open', $row['open'], $currency);
        if ($open > $amount) {
            throw new RowFault('open', $row['open'], "at most the amount, {$row['amount']}, is expected");
        }

        return [
            $row['date'],
            $row['due_date'] === '' ? $row['date'] : $row['due_date'],
            $currency->code,
            $amount,
            $row['base_amount'] === '' ? $amount : $inBase('base_amount'),
            $open,
            $row['reference'],
            $row['carrying'] === '' ? null : $inBase('carrying'),
            $row['blocked'] === 'yes' ? 1 : 0,
        ];
    }
}
