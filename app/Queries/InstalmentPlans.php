<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Subledger\Instalment;
use Ajuste\Core\Subledger\Instalments;
use Ajuste\Core\Subledger\OpenInstalment;
use Ajuste\Core\Subledger\OpenItem;
use Illuminate\Database\Query\Expression;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Invoices that fall due in parts. */
final class InstalmentPlans
{
    private ?bool $any = null;

    /**
     * @param list<int> $itemIds
     * @param ?string $asOf day up to which matches count; null: all, later ones too
     * @return array<int, Instalments> by item id, as known now
     */
    public function ofItems(array $itemIds, ?string $asOf = null): array
    {
        $this->any ??= DB::table('instalments')->whereNull('superseded_at')->exists();
        $rows = $this->any ? DB::table('instalments')->whereIn('item_id', $itemIds)->whereNull('superseded_at')->orderBy('id')->get() : [];

        return self::plans($rows, $asOf, null);
    }

    /**
     * What several items' instalments still have, where more than one is open.
     *
     * @param list<OpenItem> $items
     * @return array<int, list<OpenInstalment>> by item id
     */
    public function openOf(array $items): array
    {
        $plans = $this->ofItems(array_map(static fn (OpenItem $item): int => $item->id, $items));
        $open = [];
        foreach ($items as $item) {
            $open[$item->id] = ($plans[$item->id] ?? null)?->open($item->position->taken, 0, 0) ?? [];
        }

        return array_filter($open, static fn (array $parts): bool => count($parts) > 1);
    }

    /**
     * What an item's instalments still have, by what can be taken of it.
     *
     * @return list<OpenInstalment> none where it does not fall due in parts
     */
    public function open(OpenItem $item): array
    {
        return ($this->ofItems([$item->id])[$item->id] ?? null)?->open($item->position->taken, 0, 0) ?? [];
    }

    /**
     * @param string $asOf day up to which matches count
     * @param ?string $knownAt moment; null: as known now
     * @param ?list<int> $customerIds null: all
     * @return array<int, Instalments> by item id
     */
    public function of(int $accountId, string $asOf, ?string $knownAt = null, ?array $customerIds = null): array
    {
        $rows = DB::table('instalments as p')
            ->join('items as i', 'i.id', '=', 'p.item_id')
            // Few customers are found by themselves, and not among all of the account.
            ->where(new Expression($customerIds === null ? 'i.control_account_id' : '+i.control_account_id'), $accountId)
            ->when($customerIds !== null, static fn ($query) => $query->whereIn('i.customer_id', $customerIds ?? []))
            ->when(
                $knownAt === null,
                static fn ($query) => $query->whereNull('p.superseded_at'),
                static fn ($query) => $query
                    ->where('p.recorded_at', '<=', $knownAt)
                    ->where(static fn ($of) => $of->whereNull('p.superseded_at')->orWhere('p.superseded_at', '>', $knownAt)),
            )
            ->orderBy('p.id')
            ->get(['p.item_id', 'p.due_date', 'p.amount']);

        return self::plans($rows, $asOf, $knownAt);
    }

    /**
     * @param iterable<stdClass> $rows
     * @return array<int, Instalments>
     */
    private static function plans(iterable $rows, ?string $asOf, ?string $knownAt): array
    {
        $parts = [];
        foreach ($rows as $row) {
            $parts[(int) $row->item_id][] = new Instalment($row->due_date, (int) $row->amount);
        }

        $named = $parts === [] ? [] : self::named(array_keys($parts), $asOf, $knownAt);
        $plans = [];
        foreach ($parts as $itemId => $of) {
            $plans[$itemId] = new Instalments($of, $named[$itemId] ?? []);
        }

        return $plans;
    }

    /**
     * What was matched by naming an instalment.
     *
     * @param list<int> $itemIds
     * @return array<int, array<string, int>> amount by item and due date
     */
    private static function named(array $itemIds, ?string $asOf, ?string $knownAt): array
    {
        $named = [];
        if (! DB::table('matched_instalments')->exists()) {
            return $named;
        }
        foreach (array_chunk($itemIds, 500) as $some) {
            $rows = DB::table('matched_instalments as n')
                ->join('matches as m', static fn ($join) => $join
                    ->on('m.settlement_id', '=', 'n.settlement_id')
                    ->on('m.debit_item_id', '=', 'n.item_id'))
                ->whereIn('n.item_id', $some)
                ->when($asOf !== null, static fn ($query) => $query->where('m.date', '<=', $asOf))
                ->when($knownAt !== null, static fn ($query) => $query->where('m.recorded_at', '<=', $knownAt))
                ->whereNotExists(static fn ($query) => $query
                    ->from('match_reversals as r')
                    ->whereColumn('r.match_id', 'm.id')
                    ->when($asOf !== null, static fn ($query) => $query->where('r.date', '<=', $asOf))
                    ->when($knownAt !== null, static fn ($query) => $query->where('r.recorded_at', '<=', $knownAt)))
                ->groupBy('n.item_id', 'n.due_date')
                ->selectRaw('n.item_id, n.due_date, sum(m.amount) AS amount')
                ->get();
            foreach ($rows as $row) {
                $named[(int) $row->item_id][(string) $row->due_date] = (int) $row->amount;
            }
        }

        return $named;
    }
}
