<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\ItemMatch;
use Ajuste\Core\Subledger\OpenItem;

/** Shares what is settled over pairs of one debit and one credit, and follows what each item has moved off so far (R1). */
final class Pairing
{
    /** @var array<int, OpenItem> as the pairs so far leave them, by id */
    private array $items = [];

    /** @var array<int, Money> still to be paired, by id */
    private array $left = [];

    /** @var list<ItemMatch> */
    private array $pairs = [];

    /** @param  non-empty-list<Tick>  $ticks debits equal to credits, each item once */
    public function __construct(private readonly array $ticks)
    {
        foreach ($ticks as $tick) {
            $this->items[$tick->item->id] = $tick->item;
            $this->left[$tick->item->id] = $tick->amount;
        }
    }

    /**
     * @param list<Reserved> $reserved
     * @return list<ItemMatch>
     */
    public function pairs(array $reserved): array
    {
        foreach ($reserved as $of) {
            $this->pair($of->debit->id, $of->credit->id, $of->amount);
        }
        $credits = array_values(array_filter($this->ticks, static fn (Tick $tick): bool => ! $tick->item->isDebit()));
        foreach ($this->ticks as $debit) {
            foreach ($debit->item->isDebit() ? $credits : [] as $credit) {
                $this->pair(
                    $debit->item->id,
                    $credit->item->id,
                    Money::least($this->left[$debit->item->id], $this->left[$credit->item->id]),
                );
            }
        }

        return $this->pairs;
    }

    private function pair(int $debit, int $credit, Money $amount): void
    {
        if ($amount->isPositive()) {
            $this->pairs[] = new ItemMatch(
                $this->items[$debit],
                $this->items[$credit],
                $amount,
                $this->take($debit, $amount),
                $this->take($credit, $amount),
            );
        }
    }

    private function take(int $id, Money $amount): Money
    {
        $base = $this->items[$id]->moves($amount);
        $this->items[$id] = $this->items[$id]->less($amount, $base);
        $this->left[$id] = $this->left[$id]->minus($amount);

        return $base;
    }
}
