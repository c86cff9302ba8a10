<?php

declare(strict_types=1);

namespace Ajuste\Core\Aging;

use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Side;

/** Open items by age as of a day (R11), one row for each customer and currency, in base currency at carrying amount. */
final readonly class AgedList
{
    /** @var list<AgedRow> by customer number, then currency; without rows of which every column is nil */
    public array $rows;

    public AgedRow $totals;

    /** @param  list<AgedRow>  $rows of all customers, in any order */
    public function __construct(public string $asOf, public AgeBuckets $buckets, public Credits $credits, array $rows)
    {
        $ordered = [];
        foreach ($rows as $row) {
            if (! $row->isNil()) {
                $ordered["{$row->customer}\0{$row->currency}"] = $row;
            }
        }
        ksort($ordered, SORT_STRING);
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

    /** @param  iterable<AgedItem>  $items those open as of the day, in any order */
    public static function of(string $asOf, AgeBuckets $buckets, Credits $credits, iterable $items): self
    {
        $empty = new self($asOf, $buckets, $credits, []);
        $nothing = $empty->totals->amounts;
        /** @var array<string, array{AgedItem, non-empty-list<int>, int}> $found */
        $found = [];
        foreach ($items as $item) {
            $key = $item->customer."\0".$item->currency;
            $found[$key] ??= [$item, $nothing, 0];
            if ($empty->isUnapplied($item)) {
                $found[$key][2] += $item->base;
            } else {
                $found[$key][1] = self::added($found[$key][1], $empty->column($item), $item->base);
            }
        }
        $rows = [];
        foreach ($found as [$first, $amounts, $credit]) {
            if ($credits === Credits::OldestFirst) {
                [$amounts, $credit] = self::setOff($amounts, $credit);
            }
            $rows[] = new AgedRow($first->customer, $first->name, $first->currency, $amounts, $credit);
        }

        return new self($asOf, $buckets, $credits, $rows);
    }

    /** What the control account has beyond the list, base currency; nil when they tie (R11). */
    public function difference(Money $control): Money
    {
        return $control->minus(Money::ofMinor($this->totals->total, $control->currency));
    }

    /** The column's label for one item, `unapplied` for a credit that has no age column. */
    public function columnName(AgedItem $item): string
    {
        return $this->isUnapplied($item) ? 'unapplied' : $this->buckets->labels[$this->column($item)];
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
     * Credits set against the oldest columns first; what no debit took stays in the column of credits.
     *
     * @param non-empty-list<int> $amounts
     * @return array{non-empty-list<int>, int}
     */
    private static function setOff(array $amounts, int $credit): array
    {
        $left = [];
        foreach (array_reverse($amounts) as $amount) {
            $taken = max(0, min($amount, -$credit));
            $left[] = $amount - $taken;
            $credit += $taken;
        }

        return [array_reverse($left), $credit];
    }
}
