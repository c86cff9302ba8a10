<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Contra\Bill;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Suppliers, with what is owed to them. */
final readonly class Suppliers
{
    public function __construct(private SupplierBills $bills, private Settings $settings) {}

    /** @throws Refusal when there is none */
    public function find(int $id): stdClass
    {
        $row = DB::table('suppliers as s')
            ->leftJoin('accounts as a', 'a.id', '=', 's.control_account_id')
            ->where('s.id', $id)
            ->first(['s.*', 'a.account']);

        return $row ?? throw Refusal::notFound('There is no such supplier. Load the page again.');
    }

    /**
     * @return list<OwedSupplier> by number
     *
     * @throws Refusal when the suppliers' file is of a later day and does not have the payments since
     */
    public function open(string $asOf): array
    {
        $suppliers = DB::table('suppliers')->orderBy('supplier')->get(['id', 'supplier', 'name']);
        $bills = $this->bills->asOf($asOf, array_values(array_map(intval(...), $suppliers->pluck('id')->all())));
        $list = [];
        foreach ($suppliers as $supplier) {
            $owed = array_map(static fn (Bill $bill): Money => $bill->owedOn($asOf), $bills[$supplier->id] ?? []);
            $list[] = new OwedSupplier($supplier->id, $supplier->supplier, $supplier->name, Money::sum($owed, $this->settings->base()));
        }

        return $list;
    }
}
