<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** Gathers the open sides of one customer, item by item. Amounts are minor units of base currency. */
final class UnappliedSides
{
    private int $items = 0;

    private int $credits = 0;

    private int $refunds = 0;

    private int $debits = 0;

    private string $oldest = '';

    private string $newest = '';

    /** @var array<string, int> how many, by kind */
    private array $kinds = [];

    /** @var array<string, array{debit: int, credit: int}> */
    private array $byCurrency = [];

    /**
     * @param int $base what the item still carries, positive
     * @param string $date of the item
     * @param string $recordedAt when it was recorded
     */
    public function add(Kind $kind, Side $side, string $currency, int $base, string $date, string $recordedAt): void
    {
        $this->byCurrency[$currency] ??= ['debit' => 0, 'credit' => 0];
        $this->byCurrency[$currency][$side->value] += $base;
        if ($side === Side::Debit) {
            $this->debits += $base;
        } else {
            $this->credits += $base;
        }
        if ($side === Side::Credit || $kind === Kind::Refund) {
            $this->refunds += $side === Side::Debit ? $base : 0;
            $this->items++;
            $this->kinds[$kind->value] = ($this->kinds[$kind->value] ?? 0) + 1;
            $this->newest = max($this->newest, $recordedAt);
            $this->oldest = $this->oldest === '' ? $date : min($this->oldest, $date);
        }
    }

    public function sums(): UnappliedSums
    {
        $words = array_map(
            static fn (string $kind, int $count): string => Kind::from($kind)->counted($count),
            array_keys($this->kinds),
            $this->kinds,
        );

        return new UnappliedSums(
            $this->items,
            $this->credits,
            $this->refunds,
            $this->debits,
            $this->matchable(),
            $this->oldest,
            $this->newest,
            implode(', ', $words),
        );
    }

    /** By currency the lesser of the two sides, since a match stays within one currency (R3). */
    private function matchable(): int
    {
        return array_sum(array_map(static fn (array $sides): int => min($sides), $this->byCurrency));
    }
}
