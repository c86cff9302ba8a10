<?php

declare(strict_types=1);

namespace Ajuste\Core\Aging;

use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Side;
use Closure;

/**
 * Open items by age as of a day (R11), one row for each customer and currency, in base currency at carrying amount; or the documents of
 * one currency alone, in it.
 */
final readonly class AgedList
{
    /** @var list<AgedRow> by customer number, then currency; without rows of which every column is nil */
    public array $rows;

    public AgedRow $totals;

    /** @var array<string, AgedRow> the same, by customer and currency */
    private array $byKey;

    /**
     * @param list<AgedRow> $rows of all customers, in any order
     * @param ?string $in the currency that its amounts are in; null: base
     */
    public function __construct(
        public string $asOf,
        public AgeBuckets $buckets,
        public Credits $credits,
        array $rows,
        public ?string $in = null,
    ) {
        $ordered = [];
        foreach ($rows as $row) {
            if (! $row->isNil()) {
                $ordered["{$row->customer}\0{$row->currency}"] = $row;
            }
        }
        ksort($ordered, SORT_STRING);
        $this->byKey = $ordered;
        $rows = array_values($ordered);
        $sums = array_fill(0, count($buckets->labels), 0);
        $unapplied = 0;
        foreach ($rows as $row) {
            foreach ($row->amounts as $column => $amount) {
                $sums[$column] = ($sums[$column] ?? 0) + $amount;
            }
            $unapplied += $row->unapplied;
        }
        $this->rows = $rows;
        $this->totals = new AgedRow('', '', '', array_values($sums), $unapplied);
    }

    /** Together with the list of another control account, of the same day and by the same columns. */
    public function plus(self $other): self
    {
        $rows = $this->byKey;
        foreach ($other->byKey as $key => $row) {
            $rows[$key] = isset($rows[$key]) ? $rows[$key]->plus($row) : $row;
        }

        return new self($this->asOf, $this->buckets, $this->credits, array_values($rows), $this->in);
    }

    /**
     * @param iterable<AgedItem> $items those open as of the day, in any order
     * @param ?string $in the currency that their amounts are in; null: base
     */
    public static function of(string $asOf, AgeBuckets $buckets, Credits $credits, iterable $items, ?string $in = null): self
    {
        $empty = new self($asOf, $buckets, $credits, []);
        $nothing = $empty->totals->amounts;
        /** @var array<string, array{AgedItem, non-empty-list<int>, int}> $found */
        $found = [];
        foreach ($items as $item) {
            $key = $item->customer."\0".$item->currency;
            $found[$key] ??= [$item, $nothing, 0];
            foreach ($empty->parts($item) as $part) {
                if ($part->column === null) {
                    $found[$key][2] += $part->base;
                } else {
                    $found[$key][1] = self::added($found[$key][1], $part->column, $part->base);
                }
            }
        }
        $rows = [];
        foreach ($found as [$first, $amounts, $credit]) {
            if ($credits === Credits::OldestFirst) {
                [$amounts, $credit] = self::setOff($amounts, $credit, $buckets->contestedColumn());
            }
            $rows[] = new AgedRow($first->customer, $first->name, $first->currency, $amounts, $credit);
        }

        return new self($asOf, $buckets, $credits, $rows, $in);
    }

    /** @return array<string, AgedRow> by customer and currency */
    public function byKey(): array
    {
        return $this->byKey;
    }

    /**
     * The same figures by another name than the customer's: a group, a country.
     *
     * @param Closure(AgedRow): string $name
     * @return array<string, AgedRow> by name, in its order; the rows name no customer
     */
    public function summed(Closure $name): array
    {
        $sums = [];
        foreach ($this->rows as $row) {
            $of = $name($row);
            $nameless = new AgedRow('', $of, '', $row->amounts, $row->unapplied);
            $sums[$of] = isset($sums[$of]) ? $sums[$of]->plus($nameless) : $nameless;
        }
        ksort($sums, SORT_STRING);

        return $sums;
    }

    /**
     * What each customer and currency has more than on an earlier day, those that have nothing any more too.
     *
     * @return array<string, AgedRow> by customer and currency
     *
     * @throws Refusal when the columns are others
     */
    public function since(self $then): array
    {
        if ($then->buckets->labels !== $this->buckets->labels) {
            throw new Refusal('Two aged lists can be compared only by the same columns.');
        }

        return self::changes($this->byKey(), $then->byKey());
    }

    /**
     * @param array<string, AgedRow> $now
     * @param array<string, AgedRow> $then by the same names
     * @return array<string, AgedRow> in the order of the names
     */
    public static function changes(array $now, array $then): array
    {
        $changes = array_map(static fn (AgedRow $row): AgedRow => $row->nil(), $now + $then);
        foreach ($changes as $key => $nil) {
            $changes[$key] = ($now[$key] ?? $nil)->less($then[$key] ?? $nil);
        }
        ksort($changes, SORT_STRING);

        return $changes;
    }

    /**
     * The same figures document by document. Credits stay with themselves, whatever they are set against for show.
     *
     * @param iterable<int, AgedItem> $items by item id, which may come several times
     * @return array<int, AgedRow> by item id, without those that come to nothing
     */
    public function documents(iterable $items): array
    {
        $rows = [];
        foreach ($items as $id => $item) {
            $rows[$id] ??= [$item, array_fill(0, count($this->buckets->labels), 0), 0];
            foreach ($this->parts($item) as $part) {
                $part->column === null ? ($rows[$id][2] += $part->base) : ($rows[$id][1][$part->column] += $part->base);
            }
        }
        $documents = [];
        foreach ($rows as $id => [$item, $amounts, $unapplied]) {
            $documents[$id] = new AgedRow($item->customer, $item->name, $item->currency, array_values($amounts), $unapplied);
        }

        return array_filter($documents, static fn (AgedRow $row): bool => ! $row->isNil());
    }

    /**
     * The columns in which an item stands: one, or two where a part of it is contested and that has its own.
     *
     * @return non-empty-list<AgedPart>
     */
    public function parts(AgedItem $item): array
    {
        if ($this->isUnapplied($item)) {
            return [new AgedPart(null, $item->base)];
        }
        $own = $this->column($item);
        $apart = $this->buckets->contestedColumn();
        if ($apart === null || $item->contested === 0) {
            return [new AgedPart($own, $item->base)];
        }
        $contested = new AgedPart($apart, $item->contested);

        return $item->contested === $item->base ? [$contested] : [new AgedPart($own, $item->base - $item->contested), $contested];
    }

    /** The column's label, `unapplied` for credits that have no age column. */
    public function label(AgedPart $part): string
    {
        return $part->column === null ? 'unapplied' : $this->buckets->labels[$part->column];
    }

    private function isUnapplied(AgedItem $item): bool
    {
        return $item->standing === Side::Credit && $this->credits !== Credits::OwnDate;
    }

    /** The column of one item, 0 the first. A credit shown by its own date ages from that date whatever the basis. */
    private function column(AgedItem $item): int
    {
        $from = $this->buckets->basis === AgedBasis::DueDate && $item->standing === Side::Debit ? $item->dueDate : $item->date;

        return $this->buckets->column(Day::between($from, $this->asOf));
    }

    /**
     * @param non-empty-list<int> $amounts
     * @return non-empty-list<int>
     */
    private static function added(array $amounts, int $column, int $base): array
    {
        $amounts[$column] += $base;

        return array_values($amounts);
    }

    /**
     * Credits set against the oldest columns first, never against what is contested; what no debit took stays in the column of credits.
     *
     * @param non-empty-list<int> $amounts
     * @return array{non-empty-list<int>, int}
     */
    private static function setOff(array $amounts, int $credit, ?int $contested): array
    {
        $left = [];
        foreach (array_reverse($amounts, true) as $column => $amount) {
            $taken = $column === $contested ? 0 : max(0, min($amount, -$credit));
            $left[] = $amount - $taken;
            $credit += $taken;
        }

        return [array_reverse($left), $credit];
    }
}
