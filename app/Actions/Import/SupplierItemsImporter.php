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
        $currency = Currency::of($row['currency']);
        $supplier = $this->books->supplier($row['supplier']);
        $amount = $this->books->positive('amount', $row['amount'], $currency);
        if ($row['base_amount'] === '' && $currency->code !== $this->books->base()->code) {
            throw new RowFault('base_amount', '', "the amount in {$this->books->base()->code} is expected");
        }
        $base =
            $row['base_amount'] === '' ? $amount : $this->books->notNegative('base_amount', $row['base_amount'], $this->books->base());
        $open = $row['open'] === '' ? $amount : $this->books->notNegative('open', $row['open'], $currency);
        if ($open > $amount) {
            throw new RowFault('open', $row['open'], "at most the amount, {$row['amount']}, is expected");
        }
        $carrying = $row['carrying'] === '' ? null : $this->books->notNegative('carrying', $row['carrying'], $this->books->base());
        if (! in_array($row['blocked'], ['', 'yes', 'no'], true)) {
            throw new RowFault('blocked', $row['blocked'], 'yes or no is expected');
        }
        $key = "{$supplier}\0{$row['document']}\0{$row['kind']}";
        $place = $this->places[$key] = ($this->places[$key] ?? 0) + 1;
        $values = [
            $row['date'],
            $row['due_date'] === '' ? $row['date'] : $row['due_date'],
            $currency->code,
            $amount,
            $base,
            $open,
            $row['reference'],
            $carrying,
            $row['blocked'] === 'yes' ? 1 : 0,
        ];
        $found = $this->books->rows(
            'SELECT id, date, due_date, currency, amount, base, open, reference, carrying, blocked FROM supplier_items WHERE supplier_id = ? AND document = '
                .'? AND kind = ? AND occurrence = ?',
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
}
