<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;
use App\Support\Moment;

/** The parts in which invoices fall due: those of one document stand or fall together, since they add up to it (R4). */
final class InstalmentsImporter extends Importer
{
    /** @var array<string, array<int, array<string, string>>> rows by document, then by number */
    private array $waiting = [];

    public function take(array $row, int $number): null
    {
        $this->waiting[$row['document']][$number] = $row;

        return null;
    }

    public function finish(callable $refuse): void
    {
        foreach ($this->waiting as $document => $rows) {
            try {
                $outcome = $this->parts((string) $document, $rows);
                array_map(fn () => $this->report->count($outcome), $rows);
            } catch (RowFault $fault) {
                foreach (array_keys($rows) as $number) {
                    $refuse($number, $fault);
                }
            }
        }
    }

    /**
     * @param array<int, array<string, string>> $rows
     *
     * @throws RowFault when they are not the parts of one invoice
     */
    private function parts(string $document, array $rows): Outcome
    {
        [$item, $amount, $code, $date] = $this->invoice($document);
        $currency = Currency::of($code);
        $parts = array_map(fn (array $row): array => [
            $row['due_date'], $this->books->positive('amount', $row['amount'], $currency),
        ], array_values($rows));
        sort($parts);
        $sum = array_sum(array_column($parts, 1));
        if ($sum !== $amount) {
            $said = Money::ofMinor($sum, $currency)->decimal();
            $whole = Money::ofMinor($amount, $currency)->decimal();
            throw new RowFault('amount', $said, "the instalments of {$document} are expected to add up to its amount, {$whole} {$code}");
        }
        $stands = $this->books->rows(
            'SELECT due_date, amount FROM instalments WHERE item_id = ? AND superseded_at IS NULL ORDER BY due_date, amount',
            [$item],
        );
        if ($stands === $parts) {
            return Outcome::Same;
        }
        $this->books->open('document', $date);
        $now = Moment::now();
        $this->books->write('UPDATE instalments SET superseded_at = ? WHERE item_id = ? AND superseded_at IS NULL', [$now, $item]);
        foreach ($parts as [$due, $part]) {
            $this->books->write('INSERT INTO instalments (item_id, due_date, amount, recorded_at) VALUES (?, ?, ?, ?)', [
                $item,
                $due,
                $part,
                $now,
            ]);
        }

        return $stands === [] ? Outcome::New : $this->changed($document);
    }

    /** @return array{int, int, string, string} its key, amount, currency and date */
    private function invoice(string $document): array
    {
        $kinds = Kind::values(static fn (Kind $of): bool => $of->isSale());
        $found = $this->books->rows(
            'SELECT root_id, amount, currency, date FROM items WHERE document = ? AND kind IN ('
                .implode(', ', array_fill(0, count($kinds), '?')).') AND superseded_at IS NULL ORDER BY id LIMIT 1',
            [$document, ...$kinds],
        );
        if ($found === []) {
            throw new RowFault('document', $document, 'an invoice, debit note or charge of items.csv is expected');
        }
        [$item, $amount, $currency, $date] = $found[0];

        return [(int) $item, (int) $amount, (string) $currency, (string) $date];
    }
}
