<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Contra\Bill;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\OpenItem;
use App\Support\Pdf;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The letters to the parties of a contra (R7), with the figures at the end of its day. */
final readonly class ContraLetters
{
    public function __construct(
        private Positions $positions,
        private Customers $customers,
        private SupplierBills $bills,
        private SettledDocuments $settled,
    ) {}

    /**
     * @return list<ContraLetter> of a run's contras that stand, by customer
     *
     * @throws Refusal when none of it stands
     */
    public function ofRun(int $run): array
    {
        $rows = DB::table('supplier_contras as c')
            ->join('items as i', static fn ($join) => $join->on('i.root_id', '=', 'c.item_id')->whereNull('i.superseded_at'))
            ->join('vouchers as v', 'v.id', '=', 'i.voucher_id')
            ->join('suppliers as s', 's.id', '=', 'c.supplier_id')
            ->where(static fn (Builder $query) => $query
                ->where('v.run_id', $run)
                ->orWhereIn('v.settlement_id', DB::table('run_settlements')->where('run_id', $run)->select('settlement_id')))
            ->whereNotExists(static fn (Builder $query) => $query->from('item_reversals as r')->whereColumn('r.item_id', 'c.item_id'))
            ->orderBy('i.customer_id')
            ->orderBy('c.item_id')
            ->get(['c.item_id', 'c.supplier_id', 'c.agreement', 's.supplier']);
        if ($rows->isEmpty()) {
            throw Refusal::notFound('Nothing of this run stands, so there is nobody to write to.');
        }

        $day = $this->positions->find($rows->firstOrFail()->item_id)->date;
        $bills = $this->bills->asOf($day, array_values($rows->pluck('supplier_id')->unique()->map(intval(...))->all()));

        return array_values($rows->map(fn (stdClass $row): ContraLetter => $this->letter($row, $bills[$row->supplier_id] ?? []))->all());
    }

    /** @param  list<ContraLetter>  $letters */
    public function pdf(array $letters): string
    {
        return Pdf::of('runs.letter', ['letters' => $letters]);
    }

    /** @param  list<Bill>  $bills  of the supplier, at the end of the run's day */
    private function letter(stdClass $row, array $bills): ContraLetter
    {
        $contra = $this->positions->find($row->item_id);
        $account = $contra->head->account;
        $currency = $contra->amount->currency;
        $open = array_filter(
            $this->positions->openOf($account->controlAccountId, $account->customerId, $contra->date),
            static fn (OpenItem $item): bool => $item->open->isIn($currency),
        );
        $bills = array_filter(
            $bills,
            static fn (Bill $bill): bool => $bill->open->isIn($currency) && $bill->date <= $contra->date,
        );

        $owing = static fn (Bill $bill): Money => $bill->isCredit ? $bill->open->negated() : $bill->open;

        return new ContraLetter(
            $contra,
            $this->customers->find($account->customerId),
            $row->supplier,
            $row->agreement,
            $this->settled->by($contra, $contra->date),
            $this->taken($contra),
            Money::sum(array_map(static fn (OpenItem $item): Money => $item->signed($item->open), $open), $currency),
            Money::sum(array_map($owing, $bills), $currency),
        );
    }

    /** @return list<PaperLine> */
    private function taken(OpenItem $contra): array
    {
        return array_values(
            DB::table('supplier_contra_bills as b')
                ->join('supplier_items as s', 's.id', '=', 'b.supplier_item_id')
                ->where('b.item_id', $contra->id)
                ->orderBy('s.due_date')
                ->orderBy('s.document')
                ->get(['s.document', 's.date', 'b.amount'])
                ->map(static fn (stdClass $row): PaperLine => new PaperLine(
                    $row->document, $row->date, Money::ofMinor($row->amount, $contra->amount->currency),
                ))
                ->all(),
        );
    }
}
