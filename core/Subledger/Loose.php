<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** The open sides of one customer: what is loose, and how much of it could be matched at once. Amounts are minor units of base currency. */
final class Loose
{
    /** Receipts, credits, deposits, and refunds that were paid before their credit. */
    public int $items = 0;

    public int $credits = 0;

    /** Refunds without their credit. */
    public int $refunds = 0;

    public int $debits = 0;

    public string $oldest = '';

    /** When the last of them was recorded. */
    public string $newest = '';

    /** @var array<string, int> how many, by kind */
    private array $kinds = [];

    /** @var array<string, array{debit: int, credit: int}> */
    private array $byCurrency = [];

    /**
     * @param int $count of items of this kind, side and currency that are open
     * @param int $base what they still carry, positive
     * @param string $oldest date of the oldest of them
     * @param string $newest when the last of them was recorded
     */
    public function add(Kind $kind, Side $side, string $currency, int $count, int $base, string $oldest, string $newest): void
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
            $this->items += $count;
            $this->kinds[$kind->value] = ($this->kinds[$kind->value] ?? 0) + $count;
            $this->newest = max($this->newest, $newest);
            $this->oldest = $this->oldest === '' ? $oldest : min($this->oldest, $oldest);
        }
    }

    /** What is loose, in words: `1 credit note, 2 receipts`. */
    public function words(): string
    {
        return implode(', ', array_map(static fn (string $kind, int $count): string => Kind::from($kind)->counted($count), array_keys($this->kinds), $this->kinds));
    }

    /** By currency the lesser of the two sides, since a match stays within one currency (R3). */
    public function matchable(): int
    {
        return array_sum(array_map(static fn (array $sides): int => min($sides), $this->byCurrency));
    }
}
