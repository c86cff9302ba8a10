<?php

declare(strict_types=1);

namespace Ajuste\Core\Aging;

use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rounding;

/** What an aged list comes to, without its rows. Amounts are minor units of base currency, or of the currency that the list is in. */
final readonly class AgedSums
{
    /** So many of the largest customers are looked at. */
    private const LARGEST = 10;

    /**
     * @param ?string $in the currency that its amounts are in; null: base
     * @param AgedRow $totals of all rows
     * @param int $owing what customers owe, those in credit left out
     * @param list<int> $largest what the largest of them owe, the largest first
     */
    private function __construct(
        public string $asOf,
        public AgeBuckets $buckets,
        public Credits $credits,
        public ?string $in,
        public AgedRow $totals,
        public int $owing,
        public array $largest,
    ) {}

    public static function of(AgedList $list): self
    {
        $byCustomer = [];
        foreach ($list->rows as $row) {
            $byCustomer[$row->customer] = ($byCustomer[$row->customer] ?? 0) + $row->total;
        }
        $owing = array_filter($byCustomer, static fn (int $total): bool => $total > 0);

        return new self(
            $list->asOf, $list->buckets, $list->credits, $list->in, $list->totals, array_sum($owing), self::largestOf($owing),
        );
    }

    /** Of these customers and others together. */
    public function plus(self $others): self
    {
        return new self(
            $this->asOf,
            $this->buckets,
            $this->credits,
            $this->in,
            $this->totals->plus($others->totals),
            $this->owing + $others->owing,
            self::largestOf([...$this->largest, ...$others->largest]),
        );
    }

    /** What of the debits is late, in tenths of a percent; by due date only. Null where nothing is owed. */
    public function overdue(): ?int
    {
        $owed = array_sum($this->totals->amounts);

        return $this->buckets->basis === AgedBasis::DueDate && $owed > 0
            ? Rounding::proportion(1000, $this->totals->overdue(), $owed)
            : null;
    }

    /**
     * What the largest customers have of all that customers owe, in tenths of a percent. Null where nothing is owed.
     *
     * @param int $largest how many, ten at most
     */
    public function concentration(int $largest): ?int
    {
        return $this->owing === 0 ? null : Rounding::proportion(1000, array_sum(array_slice($this->largest, 0, $largest)), $this->owing);
    }

    /** What the control account has beyond the list, base currency; nil when they tie (R11). */
    public function difference(Money $control): Money
    {
        return $control->minus(Money::ofMinor($this->totals->total, $control->currency));
    }

    /** @return array{non-empty-list<int>, int, int, list<int>} as it is kept */
    public function listed(): array
    {
        return [$this->totals->amounts, $this->totals->unapplied, $this->owing, $this->largest];
    }

    /**
     * As it was kept.
     *
     * @param AgedList $like an empty list of the same day and columns
     * @param array{non-empty-list<int>, int, int, list<int>} $listed
     */
    public static function kept(AgedList $like, array $listed): self
    {
        $totals = new AgedRow('', '', '', $listed[0], $listed[1]);

        return new self($like->asOf, $like->buckets, $like->credits, $like->in, $totals, $listed[2], $listed[3]);
    }

    /**
     * @param array<int> $owing
     * @return list<int>
     */
    private static function largestOf(array $owing): array
    {
        rsort($owing);

        return array_slice($owing, 0, self::LARGEST);
    }
}
