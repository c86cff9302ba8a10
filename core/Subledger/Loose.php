<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

/** The open sides of one customer: what is loose, and how much of it could be matched at once. Amounts are minor units of base currency. */
final class Loose
{
    public int $items = 0;

    public int $credits = 0;

    public int $debits = 0;

    public string $oldest = '';

    /** @var array<string, int> how many, by kind */
    private array $kinds = [];

    /** @var array<string, array{debit: int, credit: int}> */
    private array $byCurrency = [];

    /** @param  int  $base what the item still carries, positive */
    public function add(Kind $kind, Side $side, string $date, string $currency, int $base): void
    {
        $this->byCurrency[$currency] ??= ['debit' => 0, 'credit' => 0];
        $this->byCurrency[$currency][$side->value] += $base;
        if ($side === Side::Debit) {
            $this->debits += $base;

            return;
        }
        $this->items++;
        $this->credits += $base;
        $this->kinds[$kind->value] = ($this->kinds[$kind->value] ?? 0) + 1;
        $this->oldest = $this->oldest === '' ? $date : min($this->oldest, $date);
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
