<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Movement\GroupMovement;
use Ajuste\Core\Movement\Movement;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use App\Values\MovedItem;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** How a control account and its customers came from one balance to the next. */
final readonly class Movements
{
    /** A reversal counts in the line of what it reverses. */
    private const KIND = 'coalesce(o.kind, i.kind)';

    private const BASE = "CASE i.side WHEN 'debit' THEN i.base ELSE -i.base END";

    public function __construct(private Settings $settings, private Reports $reports) {}

    /**
     * @param string $from first day
     * @param string $to last day
     *
     * @throws Refusal when it ends before it begins
     */
    public function of(Account $account, string $from, string $to, ?string $knownAt = null): Movement
    {
        if ($from > $to) {
            throw new Refusal("A movement from {$from} to {$to} ends before it begins. Choose an earlier first day.");
        }

        return Movement::between(
            $from,
            $this->reports->proof($account, Day::plus($from, -1), $knownAt),
            $this->reports->proof($account, $to, $knownAt),
            self::sums($account, $from, $to, $knownAt),
            self::takenBack($account),
            $this->settings->base(),
        );
    }

    /**
     * The customers' column by their groups, as the aged list has them.
     *
     * @return list<GroupMovement>
     */
    public function byGroup(Account $account, string $from, string $to, ?string $knownAt = null): array
    {
        $opening = [];
        $before = $this->reports->aged($account, Day::plus($from, -1), knownAt: $knownAt);
        // By one grouping for the whole span, so that a customer who changes its group opens where it closes.
        $groups = CustomerVersions::groups($to);
        foreach ($before->summed(static fn (AgedRow $row): string => $groups[$row->customer] ?? '') as $group => $row) {
            $opening[$group] = $row->total;
        }
        $moved = [];
        $rows = self::items($account, $from, $to, $knownAt)
            ->join('customers as c', 'c.id', '=', 'i.customer_id')
            ->groupByRaw('1, 2')
            ->selectRaw(CustomerVersions::on($to, 'customer_group').' AS customer_group')
            ->selectRaw(self::KIND.' AS kind, sum('.self::BASE.') AS base');
        foreach ($rows->get() as $row) {
            $moved[(string) $row->customer_group][$row->kind] = (int) $row->base;
        }

        return GroupMovement::each($opening, $moved, $this->settings->base());
    }

    /**
     * The items that a figure of the customers' column is made of.
     *
     * @param list<string> $kinds as they are counted: a reversal as what it reverses
     * @return list<MovedItem> by day
     */
    public function moved(Account $account, string $from, string $to, array $kinds, ?string $group, ?string $knownAt = null): array
    {
        $base = $this->settings->base();
        $rows = self::items($account, $from, $to, $knownAt)
            ->join('customers as c', 'c.id', '=', 'i.customer_id')
            ->whereIn(DB::raw(self::KIND), $kinds)
            ->when($group !== null, static fn ($query) => $query->whereRaw(CustomerVersions::on($to, 'customer_group').' = ?', [$group]))
            ->orderBy('i.date')
            ->orderBy('i.root_id')
            ->select(['i.root_id', 'i.kind', 'i.document', 'i.date', 'c.id as customer_id', 'c.customer', 'c.name'])
            ->selectRaw(self::BASE.' AS base');

        return array_values($rows->get()->map(static fn (stdClass $row): MovedItem => new MovedItem(
            $row->root_id,
            Kind::from($row->kind),
            $row->document,
            $row->date,
            $row->customer_id,
            trim("{$row->customer} {$row->name}"),
            Money::ofMinor((int) $row->base, $base),
        ))->all());
    }

    /** Items of the span that counted, each with what it takes back, if it takes one back. */
    private static function items(Account $account, string $from, string $to, ?string $knownAt): Builder
    {
        return DB::table('items as i')
            ->leftJoin('item_reversals as r', 'r.by_item_id', '=', 'i.root_id')
            ->leftJoin('items as o', 'o.id', '=', 'r.item_id')
            ->where('i.control_account_id', $account->id)
            ->whereBetween('i.date', [$from, $to])
            ->when(
                $knownAt === null,
                static fn ($query) => $query->whereNull('i.superseded_at'),
                static fn ($query) => $query
                    ->where('i.recorded_at', '<=', $knownAt)
                    ->where(static fn ($of) => $of->whereNull('i.superseded_at')->orWhere('i.superseded_at', '>', $knownAt)),
            );
    }

    /** @return array<string, int> minor units of base currency by kind */
    private static function sums(Account $account, string $from, string $to, ?string $knownAt): array
    {
        $sums = self::items($account, $from, $to, $knownAt)
            ->groupByRaw(self::KIND)
            ->selectRaw(self::KIND.' AS kind, sum('.self::BASE.') AS base')
            ->pluck('base', 'kind');

        return array_map(intval(...), $sums->all());
    }

    /** @return array<int, Kind> */
    private static function takenBack(Account $account): array
    {
        $kinds = DB::table('item_reversals as r')
            ->join('items as o', 'o.id', '=', 'r.item_id')
            ->where('o.control_account_id', $account->id)
            ->pluck('o.kind', 'r.by_item_id');

        return $kinds->map(static fn (string $kind): Kind => Kind::from($kind))->all();
    }
}
