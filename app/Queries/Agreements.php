<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Contra\Agreement;
use Ajuste\Core\Contra\Scope;
use Ajuste\Core\Refusal;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Agreements on setting off, as they stand. */
final class Agreements
{
    /** @return list<stdClass> with numbers and names of both sides, in the order of customers */
    public function all(?int $supplierId = null): array
    {
        return array_values(
            self::standing()
                ->when($supplierId !== null, static fn (Builder $query) => $query->where('a.supplier_id', $supplierId))
                ->orderBy('c.customer')
                ->orderBy('s.supplier')
                ->orderBy('a.from_date')
                ->get()
                ->all(),
        );
    }

    /** @throws Refusal when there is none, or a later version of it stands */
    public function find(int $id): stdClass
    {
        return self::standing()->where('a.id', $id)->first()
            ?? throw Refusal::changed('There is no such agreement any more. Load the page again.');
    }

    /** @return array<string, list<Agreement>> by customer, supplier and currency */
    public function byPair(): array
    {
        $agreements = [];
        $rows = DB::table('agreements')->whereNull('superseded_at')->orderBy('from_date')->orderBy('reference');
        foreach ($rows->cursor() as $row) {
            $agreements["{$row->customer_id} {$row->supplier_id} {$row->currency}"][] = self::agreement($row);
        }

        return $agreements;
    }

    public static function agreement(stdClass $row): Agreement
    {
        return new Agreement($row->reference, $row->from_date, $row->to_date, Scope::from($row->scope));
    }

    private static function standing(): Builder
    {
        return DB::table('agreements as a')
            ->join('customers as c', 'c.id', '=', 'a.customer_id')
            ->join('suppliers as s', 's.id', '=', 'a.supplier_id')
            ->whereNull('a.superseded_at')
            ->select(['a.*', 'c.customer', 'c.name', 's.supplier', 's.name as supplier_name']);
    }
}
