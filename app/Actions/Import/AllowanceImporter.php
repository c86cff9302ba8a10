<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Allowance\LossRate;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Refusal;
use App\Support\Moment;

/** What the allowance is made of: loss rates of the matrix and specific amounts. What stood before stays; the last row holds. */
final class AllowanceImporter extends Importer
{
    public function take(array $row, int $number): Outcome
    {
        return $this->report->mapping?->kind === FileKind::AllowanceRates ? $this->rate($row) : $this->specific($row);
    }

    /** @param  array<string, string>  $row */
    private function rate(array $row): Outcome
    {
        try {
            LossRate::percent($row['rate']);
        } catch (Refusal) {
            throw new RowFault('rate', $row['rate'], 'a percentage from 0 to 100 is expected');
        }
        if (! AgeBuckets::isLabel($row['bucket'])) {
            throw new RowFault('bucket', $row['bucket'], 'a column of the aged list is expected, such as not_due, 1-30 or over_90');
        }
        $stands = $this->books->rows(
            'SELECT rate, source FROM allowance_rates WHERE customer_group = ? AND bucket = ? ORDER BY id DESC LIMIT 1',
            [$row['group'], $row['bucket']],
        );
        if ($stands === [[$row['rate'], $row['source']]]) {
            return Outcome::Same;
        }
        $this->books->write('INSERT INTO allowance_rates (customer_group, bucket, rate, source, recorded_at) VALUES (?, ?, ?, ?, ?)', [
            $row['group'],
            $row['bucket'],
            $row['rate'],
            $row['source'],
            Moment::now(),
        ]);

        return $stands === [] ? Outcome::New : $this->changed(trim("{$row['group']} {$row['bucket']}"));
    }

    /** @param  array<string, string>  $row */
    private function specific(array $row): Outcome
    {
        if (($row['amount'] === '') === ($row['percent'] === '')) {
            throw new RowFault('amount', $row['amount'], 'either an amount or a percentage is expected');
        }
        $customer = $this->books->customer($row['customer']);
        $values = [
            $row['amount'] === '' ? null : $this->books->notNegative('amount', $row['amount'], $this->books->base()),
            $row['percent'] === '' ? null : self::percent($row['percent']),
            $row['reason'],
            $row['review'] === '' ? null : $row['review'],
        ];
        $item = $row['document'] === '' ? null : $this->document($customer, $row['document']);
        $stands = $this->books->rows(
            'SELECT amount, percent, reason, review FROM specific_allowances WHERE customer_id = ? AND item_id IS ? '
                .'ORDER BY id DESC LIMIT 1',
            [$customer, $item],
        );
        if ($stands === [$values]) {
            return Outcome::Same;
        }
        $this->books->write(
            'INSERT INTO specific_allowances (customer_id, item_id, amount, percent, reason, review, who, recorded_at) '
                .'VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
            [$customer, $item, ...$values, $this->books->who(), Moment::now()],
        );

        return $stands === [] ? Outcome::New : $this->changed(trim("{$row['customer']} {$row['document']}"));
    }

    private static function percent(string $text): string
    {
        try {
            return (string) LossRate::percent($text);
        } catch (Refusal) {
            throw new RowFault('percent', $text, 'a percentage from 0 to 100 is expected');
        }
    }

    private function document(int $customer, string $document): int
    {
        $found = $this->books->rows(
            "SELECT root_id FROM items WHERE customer_id = ? AND document = ? AND side = 'debit' AND superseded_at IS NULL "
                .'ORDER BY id LIMIT 1',
            [$customer, $document],
        );

        return (int) ($found[0][0] ?? throw new RowFault('document', $document, 'a document that this customer owes is expected'));
    }
}
