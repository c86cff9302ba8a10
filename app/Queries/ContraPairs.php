<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Contra\Agreement;
use Ajuste\Core\Contra\Bill;
use Ajuste\Core\Contra\Pair;
use Ajuste\Core\Contra\Party;
use Ajuste\Core\Contra\Supplier;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\OpenItem;
use Generator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\LazyCollection;
use stdClass;

/** Customers who are suppliers too, with what is open on both sides. */
final readonly class ContraPairs
{
    /** Links of which items and bills are read together: what is not set off is let go of again. */
    private const TOGETHER = 500;

    public function __construct(
        private Settings $settings,
        private Positions $positions,
        private Contested $contested,
        private SupplierBills $bills,
        private Blocks $blocks,
        private Parties $parties,
        private Agreements $agreements,
    ) {}

    /**
     * @return Generator<int, Pair> by customer number, then by supplier number, each currency by itself
     *
     * @throws Refusal when the books say less of the suppliers than the day needs
     */
    public function of(Account $control, string $asOf): Generator
    {
        yield from $this->linked($control, $asOf, $this->parties->pairs());
    }

    /**
     * A pair with all that may take of the same items or bills; nothing else changes what is set off between the two.
     *
     * @return Generator<int, Pair> likewise
     *
     * @throws Refusal when the books say less of the suppliers than the day needs
     */
    public function around(Account $control, string $asOf, int $customerId, int $supplierId): Generator
    {
        yield from $this->linked($control, $asOf, $this->parties->around($customerId, $supplierId));
    }

    /**
     * @param LazyCollection<int, stdClass> $links
     * @return Generator<int, Pair>
     */
    private function linked(Account $control, string $asOf, LazyCollection $links): Generator
    {
        $contested = $this->contested->amounts($control->id, $asOf);
        $agreements = $this->agreements->byPair();
        $blocked = $this->blocks->of(RunKind::Contra);
        foreach ($links->chunk(self::TOGETHER) as $some) {
            $some = array_values($some->all());
            $items = $this->items($control, $asOf, $some);
            $bills = $this->bills->asOf($asOf, array_values(array_unique(array_column($some, 'supplier_id'))));
            foreach ($some as $link) {
                $mine = $items[$link->customer_id] ?? [];
                $theirs = $bills[$link->supplier_id] ?? [];
                foreach (self::currencies($mine, $theirs) as $code) {
                    $agreed = $agreements["{$link->customer_id} {$link->supplier_id} {$code}"] ?? [];
                    yield $this->pair($link, Currency::of($code), $mine, $theirs, $contested, $agreed, $blocked[$link->customer_id] ?? '');
                }
            }
        }
    }

    /**
     * @param list<OpenItem> $items in all currencies
     * @param list<Bill> $bills in all currencies
     * @param array<int, int> $contested of all items, minor units by item
     * @param list<Agreement> $agreed
     */
    private function pair(
        stdClass $link,
        Currency $currency,
        array $items,
        array $bills,
        array $contested,
        array $agreed,
        string $blocked,
    ): Pair {
        $own = array_values(array_filter($items, static fn (OpenItem $item): bool => $item->amount->isIn($currency)));
        $disputed = array_intersect_key($contested, array_flip(array_map(static fn (OpenItem $item): int => $item->id, $own)));

        return new Pair(
            new Party(
                new Customer($link->customer_id, $link->customer, $link->name),
                new Supplier($link->supplier_id, $link->supplier, $link->supplier_name, $this->payables($link)),
                $currency,
            ),
            $own,
            array_map(static fn (int $minor): Money => Money::ofMinor($minor, $currency), $disputed),
            array_values(array_filter($bills, static fn (Bill $bill): bool => $bill->open->isIn($currency))),
            $agreed,
            $blocked,
        );
    }

    /** @return list<string> documents of the contras of a day, those that were taken back too */
    public function postedOn(string $asOf): array
    {
        return array_values(
            DB::table('items')
                ->whereIn('id', DB::table('supplier_contras')->select('item_id'))
                ->where('date', $asOf)
                ->pluck('document')
                ->map(strval(...))
                ->all(),
        );
    }

    /**
     * @param list<stdClass> $links
     * @return array<int, list<OpenItem>> by customer
     */
    private function items(Account $control, string $asOf, array $links): array
    {
        $items = [];
        $customers = array_values(array_unique(array_column($links, 'customer_id')));
        foreach ($this->positions->takeable($control->id, $asOf, $customers) as $customerId => $item) {
            $items[$customerId][] = $item;
        }

        return $items;
    }

    private function payables(stdClass $link): Account
    {
        $accounts = $this->settings->accounts();

        return $link->control_account_id === null
            ? $accounts->withRole(AccountRole::PayablesControl)
            : $accounts->withId($link->control_account_id);
    }

    /**
     * @param list<OpenItem> $items
     * @param list<Bill> $bills
     * @return list<string> codes of the currencies in which something is open on either side
     */
    private static function currencies(array $items, array $bills): array
    {
        $codes = [
            ...array_map(static fn (OpenItem $item): string => $item->amount->currency->code, $items),
            ...array_map(static fn (Bill $bill): string => $bill->open->currency->code, $bills),
        ];
        $codes = array_values(array_unique($codes));
        sort($codes);

        return $codes;
    }
}
