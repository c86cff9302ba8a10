<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedBy;
use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\AgedRow;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use App\Values\AgedShown;
use Illuminate\Support\Facades\DB;

/** The aged list by customer, or the same figures by document, group, country or currency; and how it changed since an earlier day. */
final readonly class AgedRows
{
    public function __construct(private AgedItems $items, private Positions $positions) {}

    /**
     * @param ?AgedList $then the same list of an earlier day, to compare with
     * @return list<AgedShown>
     *
     * @throws Refusal when that day is later
     */
    public function of(AgedList $list, AgedBy $by, Account $account, ?string $knownAt = null, ?AgedList $then = null): array
    {
        if ($then !== null && $then->asOf > $list->asOf) {
            throw new Refusal("The list is of {$list->asOf}; compare it with an earlier day than {$then->asOf}.");
        }
        if ($by === AgedBy::Document) {
            return $this->documents($list, $account, $knownAt);
        }
        if ($by === AgedBy::Customer) {
            if ($then === null) {
                return array_map(static fn (AgedRow $row): AgedShown => new AgedShown($row, null), $list->rows);
            }
            $changes = $list->since($then);
            $gone = array_diff_key($changes, $list->byKey());
            $rows = [...$list->byKey(), ...array_map(static fn (AgedRow $row): AgedRow => $row->nil(), $gone)];
            ksort($rows, SORT_STRING);

            return $this->shown($rows, $changes);
        }
        $named = match ($by) {
            AgedBy::Currency, AgedBy::Account => null,
            AgedBy::Group => CustomerVersions::groups($list->asOf),
            AgedBy::Country => DB::table('customers')->pluck('country', 'customer')->all(),
        };
        $name = static fn (AgedRow $row): string => $named === null ? $row->currency : (string) ($named[$row->customer] ?? '');
        $now = $list->summed($name);
        $before = $then?->summed($name);
        $changes = $before === null ? null : AgedList::changes($now, $before);

        return $this->shown($now + array_map(static fn (AgedRow $row): AgedRow => $row->nil(), $before ?? []), $changes);
    }

    /**
     * The documents of a customer that moved since an earlier day: why its row changed.
     *
     * @return list<array{int, string, AgedRow, AgedRow}> item, title, then and now
     */
    public function moved(AgedList $list, AgedList $then, Account $account, int $customerId, ?string $knownAt = null): array
    {
        $of = fn (AgedList $each): array => $each->documents(
            $this->items->of($account->id, $each->asOf, $knownAt, [$customerId], $each->in),
        );
        [$now, $before] = [$of($list), $of($then)];
        $titles = $this->positions->titles(array_keys($now + $before));
        $moved = [];
        foreach ($now + $before as $id => $row) {
            [$was, $is] = [$before[$id] ?? $row->nil(), $now[$id] ?? $row->nil()];
            if (! $is->less($was)->isNil()) {
                $moved[] = [$id, $titles[$id] ?? '', $was, $is];
            }
        }

        return $moved;
    }

    /**
     * @param array<string, AgedRow> $rows
     * @param ?array<string, AgedRow> $changes
     * @return list<AgedShown>
     */
    private function shown(array $rows, ?array $changes): array
    {
        $shown = [];
        foreach ($rows as $key => $row) {
            $change = $changes === null ? null : ($changes[$key] ?? $row->nil());
            if (! $row->isNil() || ($change !== null && ! $change->isNil())) {
                $shown[] = new AgedShown($row, $change);
            }
        }

        return $shown;
    }

    /**
     * @param ?list<int> $customerIds null: all
     * @return list<AgedShown> by customer, then by document
     */
    public function documents(AgedList $list, Account $account, ?string $knownAt, ?array $customerIds = null): array
    {
        $rows = $list->documents($this->items->of($account->id, $list->asOf, $knownAt, $customerIds, $list->in));
        $titles = $this->positions->titles(array_keys($rows));
        $shown = [];
        foreach ($rows as $itemId => $row) {
            $title = $titles[$itemId] ?? '';
            $shown["{$row->customer} {$title} {$itemId}"] = new AgedShown($row, null, $itemId, $title);
        }
        ksort($shown, SORT_STRING);

        return array_values($shown);
    }
}
