<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Subledger\Instalment;
use Ajuste\Core\Subledger\Instalments;
use Illuminate\Database\Query\Expression;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Invoices that fall due in parts. */
final class InstalmentPlans
{
    private ?bool $any = null;

    /**
     * @param list<int> $itemIds
     * @return array<int, Instalments> by item id, as known now
     */
    public function ofItems(array $itemIds): array
    {
        $this->any ??= DB::table('instalments')->whereNull('superseded_at')->exists();
        $rows = $this->any ? DB::table('instalments')->whereIn('item_id', $itemIds)->whereNull('superseded_at')->orderBy('id')->get() : [];

        return self::plans($rows);
    }

    /**
     * @param ?string $knownAt moment; null: as known now
     * @param ?list<int> $customerIds null: all
     * @return array<int, Instalments> by item id
     */
    public function of(int $accountId, ?string $knownAt = null, ?array $customerIds = null): array
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

        return self::plans($rows);
    }

    /**
     * @param iterable<stdClass> $rows
     * @return array<int, Instalments>
     */
    private static function plans(iterable $rows): array
    {
        $parts = [];
        foreach ($rows as $row) {
            $parts[(int) $row->item_id][] = new Instalment($row->due_date, (int) $row->amount);
        }

        return array_map(static fn (array $of): Instalments => new Instalments($of), $parts);
    }
}
