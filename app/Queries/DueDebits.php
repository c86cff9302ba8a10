<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\DirectDebit\Collectible;
use Ajuste\Core\DirectDebit\DirectDebits;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;
use Illuminate\Support\Facades\DB;

/** What is due of customers who let it be collected. */
final readonly class DueDebits
{
    public function __construct(
        private Mandates $mandates,
        private Positions $positions,
        private Contested $contested,
        private DiscountOffers $offers,
    ) {}

    /**
     * The mandate of each customer that can be used on the day, else the latest one with why it cannot.
     *
     * @param string $day of the collection
     * @return list<DueMandate>
     */
    public function of(int $controlAccountId, string $day): array
    {
        $mandates = [];
        foreach ($this->mandates->all() as $mandate) {
            $before = $mandates[$mandate->customer->id] ?? null;
            if ($before === null || ($before->whyNot($day) !== '' && $mandate->whyNot($day) === '')) {
                $mandates[$mandate->customer->id] = $mandate;
            }
        }
        if ($mandates === []) {
            return [];
        }
        $items = array_fill_keys(array_keys($mandates), []);
        foreach ($this->positions->takeable($controlAccountId, $day, array_keys($mandates)) as $customerId => $item) {
            $items[$customerId][] = $item;
        }
        $due = [];
        foreach ($mandates as $customerId => $mandate) {
            $due[] = new DueMandate(
                $mandate,
                $mandate->whyNot($day),
                $this->collectible($items[$customerId], $day),
                self::unapplied($items[$customerId]),
            );
        }

        return $due;
    }

    /**
     * @param list<OpenItem> $items
     * @return list<Collectible> debits only, oldest due first
     */
    private function collectible(array $items, string $day): array
    {
        $debits = array_values(array_filter($items, static fn (OpenItem $item): bool => $item->isDebit()));
        usort($debits, OpenItem::byAge(...));
        $contested = $this->contested->of($debits, $day);
        $discounts = $this->offers->onTheRest($debits, $day);

        return array_map(static function (OpenItem $item) use ($contested, $discounts, $day): Collectible {
            $amounts = array_map(static fn (ContestedAmount $of): Money => $of->amount, $contested[$item->id] ?? []);
            $nil = Money::zero($item->amount->currency);

            return Collectible::of($item, Money::sum($amounts, $nil->currency), $discounts[$item->id] ?? $nil, $day);
        }, $debits);
    }

    /** @param  list<OpenItem>  $items */
    private static function unapplied(array $items): Money
    {
        $currency = Currency::of(DirectDebits::CURRENCY);
        $credits = array_filter($items, static fn (OpenItem $item): bool => ! $item->isDebit() && $item->amount->isIn($currency));

        return Money::sum(array_map(static fn (OpenItem $item): Money => $item->takeable, array_values($credits)), $currency);
    }

    /** @return array<int, int> the collection that is being prepared, by item */
    public static function prepared(): array
    {
        return DB::table('collection_items as i')
            ->join('collection_debits as d', 'd.id', '=', 'i.debit_id')
            ->whereNotIn('d.collection_id', DB::table('collections_sent')->select('collection_id'))
            ->pluck('d.collection_id', 'i.item_id')
            ->map(intval(...))
            ->all();
    }
}
