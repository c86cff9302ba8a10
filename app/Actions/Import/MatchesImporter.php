<?php

declare(strict_types=1);

namespace App\Actions\Import;

use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Subledger\BaseDifference;
use Ajuste\Core\Subledger\CarryingAmount;
use Ajuste\Core\Subledger\ExchangeCover;
use Ajuste\Core\Subledger\Side;
use App\Actions\Posting\MatchSource;
use App\Queries\Timelines;

/**
 * Matches that the accounting system made. In a foreign currency the matches of one customer and day are taken together, since the
 * exchange differences that the file of items brings have to make up for the base that they move off one side more than off the other.
 */
final class MatchesImporter extends Importer
{
    /** @var array<int, true> matches of the books that this file has */
    private array $seen = [];

    /** @var array<string, array<int, array<string, string>>> rows in foreign currency by customer, account, currency and day */
    private array $waiting = [];

    private Timelines $timelines;

    protected function begin(): void
    {
        $this->timelines = new Timelines();
    }

    public function take(array $row, int $number): ?Outcome
    {
        $known = $this->known($row);
        if ($known !== null) {
            return $known;
        }
        [$debit, $credit] = $this->pair($row);
        $this->report->sawDate($row['date']);
        if ($debit->currency !== $this->books->base()->code) {
            $this->waiting["{$debit->account->customerId} {$debit->account->controlAccountId} {$debit->currency} {$row['date']}"][
                $number
            ] = $row;

            return null;
        }
        $amount = $this->amount($row, $debit);
        $of = $this->amounts($debit->currency, $amount, $this->moves($debit, $amount), $this->moves($credit, $amount));
        $this->seen[
            $this->books->record->match($row['date'], $debit->id, $credit->id, $of, MatchSource::file($this->fileId, $number))
        ] = true;

        return Outcome::New;
    }

    public function finish(callable $refuse): void
    {
        foreach ($this->waiting as $rows) {
            $this->takeTogether($rows, $refuse);
        }
    }

    /**
     * Rows in foreign currency of one customer, account and day stand or fall together: what they move unevenly in base has to be covered.
     *
     * @param array<int, array<string, string>> $rows
     * @param callable(int, RowFault): void $refuse
     */
    private function takeTogether(array $rows, callable $refuse): void
    {
        $items = $planned = [];
        foreach ($rows as $number => $row) {
            try {
                $planned[$number] = $this->planned($row, $items);
            } catch (RowFault $fault) {
                $refuse($number, $fault);
            }
        }
        if ($planned === []) {
            return;
        }
        $day = $rows[array_key_first($planned)]['date'];
        $gap = array_sum(
            array_map(static fn (PlannedRow $of): int => $of->amounts->creditBase->minor - $of->amounts->debitBase->minor, $planned),
        );
        $settled = array_filter($items, static fn (MatchItem $item): bool => $item->matched === $item->amount);
        $cover = ExchangeCover::of($gap, $this->differences(array_keys($items), $day), array_keys($settled));
        if ($cover->missing !== 0) {
            $base = $this->books->base();
            $sum = Money::ofMinor(abs($cover->missing), $base)->decimal()." {$base->code} ".Side::ofSign($cover->missing)->value;
            foreach (array_keys($planned) as $number) {
                $refuse(
                    $number,
                    new RowFault(
                        'amount',
                        $rows[$number]['amount'],
                        "an exchange difference of {$sum} is missing: an item of kind ".
                            "exchange_difference, dated {$rows[$number]['date']}, with the matched document as its reference",
                    ),
                );
            }

            return;
        }
        $this->record($planned, $day, $cover->used);
    }

    /**
     * What a row would match, and the items as it leaves them.
     *
     * @param array<string, string> $row
     * @param array<int, MatchItem> $items counted so far
     */
    private function planned(array $row, array &$items): PlannedRow
    {
        [$debit, $credit] = $this->pair($row, $items);
        $amount = $this->amount($row, $debit);
        [$items[$debit->id], $items[$credit->id]] = [$debit, $credit];
        $of = $this->amounts($debit->currency, $amount, $this->moves($debit, $amount), $this->moves($credit, $amount));
        $debit->move($amount, $of->debitBase->minor);
        $credit->move($amount, $of->creditBase->minor);

        return new PlannedRow($debit->id, $credit->id, $of);
    }

    /**
     * @param non-empty-array<int, PlannedRow> $planned by row number
     * @param list<BaseDifference> $differences that they use up
     */
    private function record(array $planned, string $day, array $differences): void
    {
        foreach ($planned as $number => $of) {
            $id = $this->books->record->match($day, $of->debitId, $of->creditId, $of->amounts, MatchSource::file($this->fileId, $number));
            $this->seen[$id] = true;
            $this->report->count(Outcome::New);
        }
        $number = array_key_last($planned);
        $last = $planned[$number];
        foreach ($differences as $difference) {
            $of = $this->amounts($last->amounts->amount->currency->code, 0, max(0, $difference->base), max(0, -$difference->base));
            [$debit, $credit] = $difference->base > 0 ? [$difference->itemId, $last->creditId] : [$last->debitId, $difference->itemId];
            $this->books->record->match($day, $debit, $credit, $of, MatchSource::file($this->fileId, $number));
        }
    }

    private function amounts(string $currency, int $amount, int $debitBase, int $creditBase): MatchedAmounts
    {
        $base = $this->books->base();

        return new MatchedAmounts(
            Money::ofMinor($amount, $currency),
            Money::ofMinor($debitBase, $base),
            Money::ofMinor($creditBase, $base),
        );
    }

    /** @param  array<string, string>  $row */
    private function known(array $row): ?Outcome
    {
        $found = $this->books->rows(
            'SELECT m.id, m.settlement_id, d.currency, m.amount FROM items d JOIN matches m ON m.debit_item_id = d.root_id JOIN items c '
                .'ON c.id = m.credit_item_id
             WHERE d.document = ? AND d.superseded_at IS NULL AND c.document = ? AND m.date = ? AND m.amount > 0 ORDER BY m.id',
            [$row['debit_document'], $row['credit_document'], $row['date']],
        );
        foreach ($found as [$id, $settlementId, $currency, $amount]) {
            if (
                ! isset($this->seen[(int) $id]) &&
                (int) $amount === $this->books->positive('amount', $row['amount'], Currency::of((string) $currency))
            ) {
                $this->seen[(int) $id] = true;

                return $settlementId !== null ? Outcome::Confirms : Outcome::Same;
            }
        }

        return null;
    }

    /**
     * The first debit and credit of these documents that go together and have so much open.
     *
     * @param array<string, string> $row
     * @param array<int, MatchItem> $counted items that rows before this one have taken from
     * @return array{MatchItem, MatchItem}
     */
    private function pair(array $row, array $counted = []): array
    {
        $debits = $this->candidates('debit', $row['debit_document'], $counted);
        $credits = $this->candidates('credit', $row['credit_document'], $counted);
        $fault = null;
        foreach ($debits as $debit) {
            foreach ($credits as $credit) {
                if (! $debit->goesWith($credit)) {
                    $fault ??= new RowFault(
                        'credit_document',
                        $row['credit_document'],
                        "an item of the same customer, currency and control account as {$row['debit_document']} is expected",
                    );

                    continue;
                }
                try {
                    $this->check($row, $debit, $credit);

                    return [$debit, $credit];
                } catch (RowFault $why) {
                    $fault = $why;
                }
            }
        }

        throw $fault ?? new RowFault('debit_document', $row['debit_document'], 'a document with an open amount is expected');
    }

    /** @param  array<string, string>  $row */
    private function check(array $row, MatchItem $debit, MatchItem $credit): void
    {
        $this->books->open('date', $row['date']);
        foreach (['debit_document' => $debit, 'credit_document' => $credit] as $field => $item) {
            if ($row['date'] < $item->date) {
                throw new RowFault('date', $row['date'], "a day not before {$item->date} is expected, the date of {$row[$field]}");
            }
            $open = $item->amount - $this->peak($item, $row['date']);
            if ($this->amount($row, $item) > $open) {
                throw new RowFault(
                    'amount',
                    $row['amount'],
                    'at most '.Money::ofMinor($open, $item->currency)->decimal()." is expected, what is open of {$row[$field]}",
                );
            }
        }
    }

    private function peak(MatchItem $item, string $date): int
    {
        if ($item->lastMovedOn <= $date) {
            return $item->matched;
        }

        $timeline = $this->timelines->of([$item->id])[$item->id] ?? null;

        return max($item->matched, $timeline?->at($date)->taken ?? 0);
    }

    /** @param  array<string, string>  $row */
    private function amount(array $row, MatchItem $item): int
    {
        return $this->books->positive('amount', $row['amount'], Currency::of($item->currency));
    }

    private function moves(MatchItem $item, int $amount): int
    {
        return CarryingAmount::movedBy($item->base, $item->amount, $item->matched, $item->moved, $amount);
    }

    /**
     * @param array<int, MatchItem> $counted
     * @return list<MatchItem>
     */
    private function candidates(string $side, string $document, array $counted): array
    {
        $found = $this->books->rows(
            'SELECT p.item_id, i.customer_id, i.currency, i.control_account_id, i.date, i.amount, i.base, p.matched, p.moved, '
                .'p.last_moved_on
             FROM items i JOIN item_positions p ON p.item_id = i.root_id WHERE i.document = ? AND i.side = ? AND i.amount > 0
                 AND i.superseded_at IS NULL ORDER BY i.id',
            [$document, $side],
        );
        if ($found === []) {
            throw new RowFault("{$side}_document", $document, "a document of items.csv on the {$side} side is expected");
        }

        return array_map(static fn (array $row): MatchItem => $counted[(int) $row[0]] ?? MatchItem::ofRow($row), $found);
    }

    /**
     * @param list<int> $itemIds
     * @return list<BaseDifference>
     */
    private function differences(array $itemIds, string $date): array
    {
        $differences = [];
        foreach ($itemIds as $itemId) {
            foreach (
                $this->books->rows(
                    "SELECT i.root_id, CASE i.side WHEN 'debit' THEN i.base ELSE -i.base END, i.date FROM items i JOIN item_positions p "
                        .'ON p.item_id = i.root_id
                 WHERE i.source_item_id = ? AND i.date <= ? AND p.settled_on IS NULL AND i.superseded_at IS NULL ORDER BY i.id',
                    [$itemId, $date],
                ) as [$id, $base, $day]
            ) {
                $differences[] = new BaseDifference((int) $id, $itemId, (int) $base, $day === $date);
            }
        }

        return $differences;
    }
}
