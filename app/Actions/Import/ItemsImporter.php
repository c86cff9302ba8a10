<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Calendar\Terms;
use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use App\Actions\Posting\ItemLinks;
use App\Actions\Posting\ItemRow;
use App\Actions\Posting\RowSource;
use App\Support\Moment;

/** Customers' items. An item is known by document, kind, customer and its place among such rows. */
final class ItemsImporter extends Importer
{
    private const STANDING = 'SELECT i.id, i.root_id, i.version, i.voucher_id, i.side, i.date, i.due_date, i.currency, i.amount, i.base, '
        .'i.control_account_id, i.reference, i.entry, i.batch, i.terms, p.matched
        FROM items i JOIN item_positions p ON p.item_id = i.root_id WHERE i.document = ? AND i.kind = ? AND i.customer_id = ?
            AND i.superseded_at IS NULL ORDER BY i.occurrence';

    /** @var array<int, true> rows of the books that this file has */
    private array $seen = [];

    /** @var array<int, array<string, string>> exchange differences wait for the items that they correct */
    private array $waiting = [];

    private bool $hadItems = false;

    protected function begin(): void
    {
        $this->hadItems = $this->books->rows('SELECT 1 FROM items LIMIT 1', []) !== [];
    }

    public function take(array $row, int $number): ?Outcome
    {
        if ($row['kind'] === Kind::ExchangeDifference->value) {
            $this->waiting[$number] = $row;

            return null;
        }

        return $this->item($row, $number);
    }

    public function finish(callable $refuse): void
    {
        foreach ($this->waiting as $number => $row) {
            try {
                $this->report->count($this->item($row, $number));
            } catch (RowFault $fault) {
                $refuse($number, $fault);
            }
        }
        if ($this->report->firstDate === null) {
            return;
        }
        $span = [$this->report->firstDate, (string) $this->report->lastDate];
        if ($this->hadItems) {
            foreach (
                $this->books->rows(
                    'SELECT id, document FROM items WHERE date BETWEEN ? AND ? AND superseded_at IS NULL AND import_file_id IS NOT NULL',
                    $span,
                ) as [$id, $document]
            ) {
                if (! isset($this->seen[(int) $id])) {
                    $this->vanished((string) $document);
                }
            }
        }
        $sums = $this->books->rows(
            "SELECT sum(CASE WHEN side = 'debit' THEN base ELSE 0 END), sum(CASE WHEN side = 'credit' THEN base ELSE 0 END) FROM items "
                .'WHERE date BETWEEN ? AND ? AND superseded_at IS NULL',
            $span,
        )[0];
        [$this->report->bookDebits, $this->report->bookCredits] = [(int) $sums[0], (int) $sums[1]];
    }

    /** @param  array<string, string>  $row */
    private function item(array $row, int $number): Outcome
    {
        $kind = Kind::from($row['kind']);
        $customerId = $this->books->customer($row['customer']);
        $currency = $row['currency'] === '' ? $this->books->currencyOf($customerId) : Currency::of($row['currency']);
        $side = $this->side($kind, $row['side']);
        $amount = $this->amount($kind, $row['amount'], $currency);
        $base = $this->base($row, $kind, $currency, $amount);
        $sourceItemId = $kind->correctsBaseOnly() ? $this->source($row) : null;
        $values = [
            $side->value,
            $row['date'],
            $this->dueDate($row, $kind),
            $currency->code,
            $amount,
            $base,
            $this->controlAccount($row, $kind),
            $row['reference'],
            $row['entry'],
            $row['batch'],
            $row['terms'],
        ];
        $standing = $this->standing($row['document'], $kind, $customerId);
        $this->report->sawDate($row['date']);
        $side === Side::Debit ? ($this->report->debits += $base) : ($this->report->credits += $base);
        foreach ($standing as $stands) {
            if (! isset($this->seen[(int) $stands[0]])) {
                $this->seen[(int) $stands[0]] = true;

                return $this->again($stands, $values, $row, $number, $sourceItemId);
            }
        }
        $this->books->open('date', $row['date']);
        $id = $this->record($row, $kind, $customerId, $values, new ItemPlace(count($standing) + 1), $number, $sourceItemId);
        $this->seen[$id] = true;

        return Outcome::New;
    }

    /** @return list<list<mixed>> items of the same document, kind and customer, by their place among such rows */
    private function standing(string $document, Kind $kind, int $customerId): array
    {
        if (! $this->mayStand("{$customerId} {$kind->value} {$document}", $this->hadItems)) {
            return [];
        }
        $this->books->record->itemsWait($document, $kind, $customerId) && $this->books->record->settle();

        return $this->books->rowsWritten(self::STANDING, [$document, $kind->value, $customerId]);
    }

    /**
     * @param list<mixed> $stands the item as the books have it
     * @param list<int|string> $values
     * @param array<string, string> $row
     */
    private function again(array $stands, array $values, array $row, int $number, ?int $sourceItemId): Outcome
    {
        [$id, $rootId, $version, $voucherId] = [(int) $stands[0], (int) $stands[1], (int) $stands[2], $stands[3]];
        $had = array_slice($stands, 4, 11);
        if ($voucherId !== null) {
            $figures = [0, 1, 3, 4, 5]; // side, date, currency, amount, base
            foreach ($figures as $place) {
                if ($had[$place] !== $values[$place]) {
                    throw new RowFault(
                        'document',
                        $row['document'],
                        'this item was posted here with other figures; the same side, date and amounts are expected',
                    );
                }
            }

            return Outcome::Confirms;
        }
        if ($had === $values) {
            return Outcome::Same;
        }
        $this->books->open('date', (string) $had[1]);
        $this->books->open('date', $row['date']);
        $this->refuseAgainstMatches($had, $values, $rootId, (int) $stands[15], $row);
        $side = Side::from((string) $had[0]);
        $this->books->record->supersedeItem($id, (int) $had[6], (string) $had[1], $side->sign() * (int) $had[5]);
        $occurrence = (int) $this->books->rows('SELECT occurrence FROM items WHERE id = ?', [$id])[0][0];
        $place = new ItemPlace($occurrence, $version + 1, $rootId);
        $new = $this->record(
            $row,
            Kind::from($row['kind']),
            $this->books->customer($row['customer']),
            $values,
            $place,
            $number,
            $sourceItemId,
        );
        $this->seen[$new] = true;

        return $this->changed($row['document']);
    }

    /**
     * What is matched already has to hold for the changed item too.
     *
     * @param list<mixed> $had
     * @param list<int|string> $values
     * @param array<string, string> $row
     */
    private function refuseAgainstMatches(array $had, array $values, int $rootId, int $matched, array $row): void
    {
        $first = $this->books->rows('SELECT min(date) FROM matches WHERE debit_item_id = ? OR credit_item_id = ?', [
            $rootId,
            $rootId,
        ])[0][0];
        if ($first === null) {
            return;
        }
        if ([$had[0], $had[3], $had[6]] !== [$values[0], $values[3], $values[6]]) {
            throw new RowFault(
                'document',
                $row['document'],
                'the item is matched, so its side, currency and control account stay as they are; reverse its matches first',
            );
        }
        if ($values[1] > $first) {
            throw new RowFault('date', $row['date'], "the item is matched as of {$first}; that day or an earlier one is expected");
        }
        if ($values[4] < $matched) {
            throw new RowFault('amount', $row['amount'], 'the item is matched for more; reverse its matches first');
        }
        $isBase = $row['currency'] === $this->books->base()->code;
        if (! $isBase && [$had[4], $had[5]] !== [$values[4], $values[5]]) {
            throw new RowFault(
                'amount',
                $row['amount'],
                'the item is in a foreign currency and matched, so its amounts stay as they are; reverse its matches first',
            );
        }
    }

    /**
     * @param array<string, string> $row
     * @param list<int|string> $values
     */
    private function record(array $row, Kind $kind, int $customerId, array $values, ItemPlace $place, int $number, ?int $sourceItemId): int
    {
        $account = new CustomerAccount($customerId, (int) $values[6]);
        $head = new ItemHead(
            $row['document'],
            $kind,
            Side::from((string) $values[0]),
            $account,
            $row['date'],
            (string) $values[2],
            $row['reference'],
            $row['terms'],
        );

        $parts = self::parts($row, Money::ofMinor((int) $values[4], (string) $values[3]));
        $id = $this->books->record->item(
            new ItemRow(
                $head,
                Money::ofMinor((int) $values[4], (string) $values[3]),
                Money::ofMinor((int) $values[5], $this->books->base()),
                $place->occurrence,
                RowSource::file($this->fileId, $number, $place->version),
                $row['entry'],
                $row['batch'],
                new ItemLinks($sourceItemId, $place->rootId),
            ),
        );
        $parts === [] || $this->fallsDueInParts($place->rootId ?? $id, $parts);

        return $id;
    }

    private function side(Kind $kind, string $given): Side
    {
        $implied = $kind->side();
        if ($implied === null) {
            return $given !== ''
                ? Side::from($given)
                : throw new RowFault('side', '', "debit or credit is expected, since the kind {$kind->value} can be either");
        }
        if ($given !== '' && $given !== $implied->value) {
            throw new RowFault('side', $given, "{$implied->value} or blank is expected for the kind {$kind->value}");
        }

        return $implied;
    }

    private function amount(Kind $kind, string $text, Currency $currency): int
    {
        if (! $kind->correctsBaseOnly()) {
            return $text === ''
                ? throw new RowFault('amount', '', 'an amount above zero is expected')
                : $this->books->positive('amount', $text, $currency);
        }
        if ($text !== '' && $this->books->notNegative('amount', $text, $currency) !== 0) {
            throw new RowFault('amount', $text, 'zero is expected: an exchange difference corrects base currency only');
        }

        return 0;
    }

    /** @param  array<string, string>  $row */
    private function base(array $row, Kind $kind, Currency $currency, int $amount): int
    {
        $isBase = $currency->code === $this->books->base()->code;
        if ($row['base_amount'] === '') {
            return match (true) {
                $kind->correctsBaseOnly() => throw new RowFault(
                    'base_amount', '', "the amount in {$this->books->base()->code} is expected",
                ),
                $isBase => $amount,
                default => $this->books->inBase(Money::ofMinor($amount, $currency), $row['date']),
            };
        }
        $base = $kind->correctsBaseOnly()
            ? $this->books->positive('base_amount', $row['base_amount'], $this->books->base())
            : $this->books->notNegative('base_amount', $row['base_amount'], $this->books->base());
        if ($isBase && ! $kind->correctsBaseOnly() && $base !== $amount) {
            throw new RowFault('base_amount', $row['base_amount'], "{$row['amount']} is expected, as the item is in base currency");
        }

        return $base;
    }

    /**
     * Terms with several due dates give the item its instalments (R4); a file of instalments may say others.
     *
     * @param array<string, string> $row
     * @return list<array{string, Money}> due date and amount; none where it falls due as one
     */
    private static function parts(array $row, Money $amount): array
    {
        try {
            return Terms::isInParts($row['terms']) ? Terms::parse($row['terms'])->instalments($row['date'], $amount) : [];
        } catch (Refusal $refusal) {
            throw new RowFault('terms', $row['terms'], $refusal->getMessage());
        }
    }

    /** @param  list<array{string, Money}>  $parts */
    private function fallsDueInParts(int $rootId, array $parts): void
    {
        $now = Moment::now();
        $this->books->write('UPDATE instalments SET superseded_at = ? WHERE item_id = ? AND superseded_at IS NULL', [$now, $rootId]);
        foreach ($parts as [$due, $part]) {
            $this->books->write('INSERT INTO instalments (item_id, due_date, amount, recorded_at) VALUES (?, ?, ?, ?)', [
                $rootId, $due, $part->minor, $now,
            ]);
        }
    }

    /** @param  array<string, string>  $row */
    private function dueDate(array $row, Kind $kind): string
    {
        if ($row['due_date'] !== '') {
            return $row['due_date'];
        }
        if ($row['terms'] !== '') {
            try {
                return Terms::parse($row['terms'])->dueDate($row['date']);
            } catch (Refusal $refusal) {
                if (Terms::isInParts($row['terms'])) {
                    throw new RowFault('terms', $row['terms'], $refusal->getMessage());
                }
                throw new RowFault('due_date', '', "a date is expected, since the terms “{$row['terms']}” do not give one");
            }
        }
        if ($kind === Kind::Invoice || $kind === Kind::DebitNote) {
            throw new RowFault('due_date', '', 'a date is expected');
        }

        return $row['date'];
    }

    /** @param  array<string, string>  $row */
    private function controlAccount(array $row, Kind $kind): int
    {
        if ($row['control_account'] !== '') {
            return $this->books->account('control_account', $row['control_account']);
        }
        if ($kind === Kind::Deposit) {
            return $this->books->accountWithRole('customer_deposits');
        }

        return $this->books->customerControl[$row['customer']] ?? $this->books->accountWithRole('receivables_control');
    }

    /**
     * The item that an exchange difference corrects.
     *
     * @param array<string, string> $row
     */
    private function source(array $row): int
    {
        $found = $this->books->rows(
            'SELECT i.root_id FROM items i WHERE i.document = ? AND i.customer_id = ? AND i.currency = ? AND i.kind <> '
                ."'exchange_difference' AND i.superseded_at IS NULL ORDER BY i.id LIMIT 1",
            [$row['reference'], $this->books->customer($row['customer']), $row['currency']],
        );

        return $found !== []
            ? (int) $found[0][0]
            : throw new RowFault(
                'reference',
                $row['reference'],
                "the document that the exchange difference corrects is expected, one of the same customer in {$row['currency']}",
            );
    }
}
