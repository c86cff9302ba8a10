<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use App\Actions\Posting\PostingRow;
use App\Actions\Posting\PostingText;
use App\Actions\Posting\RowSource;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Ledger postings. A line is known by its entry, its account and its place among such lines; own vouchers that come back are confirmed. */
final class LedgerImporter extends Importer
{
    /** @var array<int, true> postings of the books that this file has */
    private array $seen = [];

    /** @var array<int, true> accounts of this file */
    private array $accounts = [];

    /** @var ?array<string, int> own vouchers by number */
    private ?array $own = null;

    private bool $hadPostings = false;

    protected function begin(): void
    {
        $this->hadPostings = $this->books->rows('SELECT 1 FROM postings LIMIT 1', []) !== [];
    }

    public function take(array $row, int $number): Outcome
    {
        $accountId = $this->books->account('account', $row['account']);
        $base = $this->signed($row);
        $voucherId = $this->ownVoucher($row);
        $this->report->sawDate($row['date']);
        $base > 0 ? ($this->report->debits += $base) : ($this->report->credits -= $base);
        $this->accounts[$accountId] = true;
        if ($voucherId !== null) {
            return $this->confirm($voucherId, $accountId, $base, $row);
        }
        $original = $this->original($row, $base);
        $values = [
            $row['date'],
            $base,
            $row['description'],
            $row['document'],
            $row['customer'],
            $row['reference'],
            $row['source'],
            $row['batch'],
            $original->currency->code ?? '',
            $original?->minor,
        ];
        $standing = $this->standing($row['entry'], $accountId);
        foreach ($standing as $stands) {
            if (! isset($this->seen[(int) $stands[0]])) {
                $this->seen[(int) $stands[0]] = true;

                return array_slice($stands, 3) === $values ? Outcome::Same : $this->replace($stands, $accountId, $row, $base, $number);
            }
        }
        $this->books->open('date', $row['date']);
        $this->seen[$this->record($row, $accountId, $base, count($standing) + 1, $number)] = true;

        return Outcome::New;
    }

    /** @return list<list<mixed>> lines of the same entry and account, by their place among such rows */
    private function standing(string $entry, int $accountId): array
    {
        if (! $this->mayStand("{$accountId} {$entry}", $this->hadPostings)) {
            return [];
        }
        $this->books->record->postingsWait($entry, $accountId) && $this->books->record->settle();

        return $this->books->rowsWritten(
            'SELECT id, version, occurrence, date, base, description, document, customer, reference, source, batch, '.
                'currency, currency_amount FROM postings WHERE '.
                'entry = ? AND account_id = ? AND superseded_at IS NULL ORDER BY occurrence',
            [$entry, $accountId],
        );
    }

    public function finish(callable $refuse): void
    {
        if ($this->report->firstDate === null) {
            return;
        }
        $span = [$this->report->firstDate, (string) $this->report->lastDate];
        $debits = $credits = 0;
        foreach (array_keys($this->accounts) as $accountId) {
            $sums = $this->books->rows(
                'SELECT sum(max(base, 0)), sum(min(base, 0)) FROM postings WHERE account_id = ? AND date BETWEEN ? AND ? AND '.
                    'superseded_at IS NULL',
                [$accountId, ...$span],
            )[0];
            $debits += (int) $sums[0];
            $credits -= (int) $sums[1];
            if ($this->hadPostings) {
                foreach (
                    $this->books->rows(
                        'SELECT id, entry FROM postings WHERE account_id = ? AND date BETWEEN ? AND ? AND superseded_at IS NULL AND '.
                            'voucher_id IS NULL',
                        [$accountId, ...$span],
                    ) as [$id, $entry]
                ) {
                    if (! isset($this->seen[(int) $id])) {
                        $this->vanished((string) $entry);
                    }
                }
            }
        }
        [$this->report->bookDebits, $this->report->bookCredits] = [$debits, $credits];
    }

    /** @param  array<string, string>  $row */
    private function signed(array $row): int
    {
        $base = $this->books->base();
        $debit = $row['debit'] === '' ? 0 : $this->books->notNegative('debit', $row['debit'], $base);
        $credit = $row['credit'] === '' ? 0 : $this->books->notNegative('credit', $row['credit'], $base);
        if ($debit === 0 && $credit === 0) {
            throw new RowFault('debit', $row['debit'], 'an amount above zero is expected in debit or in credit');
        }
        if ($debit !== 0 && $credit !== 0) {
            throw new RowFault('credit', $row['credit'], 'blank is expected, as debit is filled; a line has exactly one of them');
        }

        return $debit - $credit;
    }

    /**
     * The line's amount in another currency, on the side of its amount in base; null where the file gives none.
     *
     * @param array<string, string> $row
     */
    private function original(array $row, int $base): ?Money
    {
        if (trim($row['currency_amount'], '0.') === '' || $row['currency'] === '' || $row['currency'] === $this->books->base()->code) {
            return null;
        }
        $currency = Currency::of($row['currency']);
        $minor = $this->books->positive('currency_amount', ltrim($row['currency_amount'], '-'), $currency);

        return Money::ofMinor($base < 0 ? -$minor : $minor, $currency);
    }

    /** @param  array<string, string>  $row */
    private function ownVoucher(array $row): ?int
    {
        $this->own ??= DB::table('vouchers')->pluck('id', 'number')->all();

        return $this->own === []
            ? null
            : $this->own[$row['entry']] ?? ($this->own[$row['reference']] ?? ($this->own[$row['source']] ?? null));
    }

    /** @param  array<string, string>  $row */
    private function confirm(int $voucherId, int $accountId, int $base, array $row): Outcome
    {
        $lines = $this->books->rows('SELECT id, base, date FROM postings WHERE voucher_id = ? AND account_id = ? ORDER BY id', [
            $voucherId,
            $accountId,
        ]);
        foreach ($lines as [$id, $posted, $date]) {
            if ((int) $posted === $base && $date === $row['date'] && ! isset($this->seen[(int) $id])) {
                $this->seen[(int) $id] = true;
                $known = $this->books->rows('SELECT 1 FROM voucher_confirmations WHERE voucher_id = ?', [$voucherId]) !== [];
                if (! $known) {
                    $this->books->write('INSERT INTO voucher_confirmations (voucher_id, import_file_id, recorded_at) VALUES (?, ?, ?)', [
                        $voucherId,
                        $this->fileId,
                        Moment::now(),
                    ]);
                }

                return $known ? Outcome::Same : Outcome::Confirms;
            }
        }

        throw new RowFault(
            'entry',
            $row['entry'],
            "the line that voucher posted on account {$row['account']} is expected, with its date and amount; mend it in the accounting ".
                'system',
        );
    }

    /**
     * @param list<mixed> $stands
     * @param array<string, string> $row
     */
    private function replace(array $stands, int $accountId, array $row, int $base, int $number): Outcome
    {
        $this->books->open('date', (string) $stands[3]);
        $this->books->open('date', $row['date']);
        $this->books->record->supersedePosting((int) $stands[0], $accountId, (string) $stands[3], (int) $stands[4]);
        $this->seen[$this->record($row, $accountId, $base, (int) $stands[2], $number, (int) $stands[1] + 1)] = true;

        return $this->changed($row['entry']);
    }

    /** @param  array<string, string>  $row */
    private function record(array $row, int $accountId, int $base, int $occurrence, int $number, int $version = 1): int
    {
        $text = new PostingText($row['description'], $row['document'], $row['customer'], $row['reference'], $row['source'], $row['batch']);

        return $this->books->record->posting(
            new PostingRow(
                $row['entry'],
                $occurrence,
                $row['date'],
                $accountId,
                $base,
                $text,
                RowSource::file($this->fileId, $number, $version),
                $this->original($row, $base),
            ),
        );
    }
}
