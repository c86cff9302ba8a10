<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use Ajuste\Core\Subledger\Side;
use Ajuste\Core\Subledger\Unrealised;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Exchange differences that stand on open items and that no settlement has given back: a realised one is used up by its match. */
final readonly class UnrealisedDifferences
{
    public function __construct(private Settings $settings) {}

    /**
     * @param list<int> $itemIds
     * @return array<int, list<Unrealised>> by the item that they correct
     */
    public function of(array $itemIds): array
    {
        if ($itemIds === []) {
            return [];
        }
        $rows = self::standing($itemIds)->whereColumn('p.moved', '<', 'i.base')->get(['i.*', 'p.moved']);

        return $this->differences($rows->all());
    }

    /**
     * Likewise, as they stand once all matches of the item are undone: what those gave back is free again.
     *
     * @param stdClass $item a row of an item
     * @return list<Unrealised>
     */
    public function onceFree(stdClass $item): array
    {
        if ($item->currency === $this->settings->base()->code || $item->kind === Kind::ExchangeDifference->value) {
            return [];
        }
        $with = Matches::standing()
            ->where('amount', '>', 0)
            ->where(static fn (Builder $query) => $query->where('debit_item_id', $item->root_id)->orWhere('credit_item_id', $item->root_id))
            ->whereNotNull('settlement_id')
            ->select('settlement_id');
        $rows = self::standing([(int) $item->root_id])->get(['i.*', 'p.moved']);
        foreach ($rows as $row) {
            $row->moved -= (int) Matches::standing()
                ->where(
                    static fn (Builder $query) => $query->where('debit_item_id', $row->root_id)->orWhere('credit_item_id', $row->root_id),
                )
                ->whereIn('settlement_id', $with)
                ->sum('debit_base');
        }
        $free = $rows->filter(static fn (stdClass $row): bool => $row->moved < $row->base);

        return $this->differences(array_values($free->all()))[(int) $item->root_id] ?? [];
    }

    /** @param  list<int>  $itemIds */
    private static function standing(array $itemIds): Builder
    {
        return DB::table('items as i')
            ->join('item_positions as p', 'p.item_id', '=', 'i.root_id')
            ->whereIn('i.source_item_id', $itemIds)
            ->where('i.kind', Kind::ExchangeDifference->value)
            ->whereNull('i.superseded_at')
            ->orderBy('i.id');
    }

    /**
     * @param array<stdClass> $rows
     * @return array<int, list<Unrealised>> by the item that they correct
     */
    private function differences(array $rows): array
    {
        [$accounts, $base] = [$this->settings->accounts(), $this->settings->base()];
        $found = [];
        foreach ($rows as $row) {
            $side = Side::from($row->side);
            $account = new CustomerAccount($row->customer_id, $row->control_account_id);
            $found[(int) $row->source_item_id][] = new Unrealised(
                OpenItem::of(
                    $row->root_id,
                    new ItemHead($row->document, Kind::ExchangeDifference, $side, $account, $row->date, $row->due_date, $row->reference),
                    Money::zero($row->currency),
                    Money::ofMinor($row->base, $base),
                    Position::resting(0, $row->moved),
                ),
                $accounts->withId($row->control_account_id),
                $accounts->withRole($side === Side::Debit ? AccountRole::ExchangeUnrealisedGain : AccountRole::ExchangeUnrealisedLoss),
                (int) $row->voucher_id,
            );
        }

        return $found;
    }
}
