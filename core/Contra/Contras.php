<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Run\RunChoices;
use Ajuste\Core\Subledger\OpenItem;

/** Sets pairs off one after the other: each takes what those before it have left of items and bills (R7). */
final readonly class Contras
{
    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked, private Currency $base) {}

    /**
     * @param iterable<Pair> $pairs by customer number, then by supplier number
     * @param string $asOf day of the run
     * @param list<string> $known documents of contras that were posted before: none bears the number of another
     */
    public function plan(
        Account $control,
        string $asOf,
        iterable $pairs,
        RunChoices $choices,
        VoucherPer $per,
        array $known = [],
        PairChoices $ofPairs = new PairChoices,
    ): ContraPlan {
        $known = array_flip($known);
        $offsets = $left = $items = $taken = [];
        $customer = 0;
        foreach ($pairs as $pair) {
            if ($pair->party->customer->id !== $customer) {
                [$customer, $items] = [$pair->party->customer->id, []]; // what was taken of another customer's items matters no more
            }
            $now = new Pair(
                $pair->party,
                self::chosen(array_map(static fn (OpenItem $item): OpenItem => $items[$item->id] ?? $item, $pair->items), $choices),
                $pair->contested,
                array_map(static fn (Bill $bill): Bill => isset($taken[$bill->id]) ? $taken[$bill->id]->left() : $bill, $pair->bills),
                $pair->agreements,
                $pair->blocked,
            );
            [$offset, $stays] = Contra::of($now, $asOf, $ofPairs, self::heldBack($pair->items, $ofPairs));
            array_push($left, ...self::leftOut($pair, $choices), ...$stays);
            if ($offset === null) {
                continue;
            }
            $offsets[] = $offset->named(self::free($offset->document, $known));
            foreach ([...$offset->settledFirst, ...$offset->credits, ...$offset->debits] as $part) {
                $item = $items[$part->item->id] ?? $part->item;
                $items[$item->id] = $item->less($part->amount, $item->moves($part->amount));
            }
            foreach ($offset->bills as $part) {
                $taken[$part->bill->id] = $part;
            }
        }

        return new ContraPlan($this->accounts, $this->locked, $control, $asOf, $per, $offsets, $left, $this->base);
    }

    /** @param  array<string, int>  $known */
    private static function free(string $document, array $known): string
    {
        $free = $document;
        for ($next = 2; isset($known[$free]); $next++) {
            $free = "{$document}-{$next}";
        }

        return $free;
    }

    /**
     * @param list<OpenItem> $items
     * @return list<OpenItem> without those that a person leaves out
     */
    private static function chosen(array $items, RunChoices $choices): array
    {
        return array_values(array_filter($items, static fn (OpenItem $item): bool => ! isset($choices->left[$item->id])));
    }

    /**
     * By what is open before the first pair takes of it, so that all pairs of a customer together take no more than was decided.
     *
     * @param list<OpenItem> $items
     * @return array<int, Money> by item
     */
    private static function heldBack(array $items, PairChoices $choices): array
    {
        $held = [];
        foreach ($items as $item) {
            if (isset($choices->items[$item->id])) {
                $held[$item->id] = $choices->items[$item->id]->staysOut($item->takeable);
            }
        }

        return $held;
    }

    /** @return list<LeftOfPair> */
    private static function leftOut(Pair $pair, RunChoices $choices): array
    {
        $left = [];
        foreach ($pair->items as $item) {
            if (isset($choices->left[$item->id])) {
                $why = "left out: {$choices->left[$item->id]}";
                $carried = $item->moves($item->takeable);
                $left[] = new LeftOfPair($pair->party, $item->document, $item->id, $item->takeable, $carried, $why, true);
            }
        }

        return $left;
    }
}
