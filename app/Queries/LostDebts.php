<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\BadDebt\LostDebt;
use Ajuste\Core\BadDebt\Recovery;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Settlement\TaxRelief;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Debts that will never be paid: what is set aside for them, what was written off, and what came in after all. */
final readonly class LostDebts
{
    public function __construct(private Settings $settings, private Positions $positions, private InvoiceLines $lines) {}

    /**
     * @param array<int, ?Money> $amounts by item; null: all that is open
     * @return list<LostDebt>
     */
    public function of(array $amounts, string $date): array
    {
        $items = $this->positions->several(array_keys($amounts), $date);
        $taxed = $this->lines->taxed(array_values($items));
        $debts = [];
        foreach ($items as $id => $item) {
            $posted = $this->allowance($item->head->account->customerId, $id);
            $debts[] = new LostDebt($item, $amounts[$id] ?? $item->takeable, $taxed[$item->document] ?? [], $posted);
        }

        return $debts;
    }

    /** What is posted specifically for a document, or for the customer as a whole (null), and not used yet. */
    public function allowance(int $customerId, ?int $itemId): Money
    {
        $run = DB::table('runs')
            ->where('kind', RunKind::Allowance->value)
            ->whereNotIn('id', DB::table('run_reversals')->select('run_id'))
            ->orderByDesc('as_of')
            ->orderByDesc('id')
            ->first(['id', 'recorded_at']);
        /** @var array<int, int> $posted by item; 0: the customer as a whole */
        $posted = DB::table('allowance_posted')
            ->where(['run_id' => $run->id ?? 0, 'customer_id' => $customerId])
            ->selectRaw('coalesce(item_id, 0) AS item, sum(amount) AS posted')
            ->groupBy('item')
            ->pluck('posted', 'item')
            ->all();
        $used = self::standing()
            ->where('d.customer_id', $customerId)
            ->where('w.recorded_at', '>', $run->recorded_at ?? '')
            ->groupBy('w.debt_item_id')
            ->selectRaw('w.debt_item_id AS item, sum(w.from_allowance) AS used')
            ->pluck('used', 'item');
        // What a document took beyond its own came from the customer's.
        $ofCustomer = (int) $used->map(static fn ($of, int $item): int => max(0, (int) $of - ($posted[$item] ?? 0)))->sum();
        $taken = $itemId === null ? $ofCustomer : min((int) ($used[$itemId] ?? 0), $posted[$itemId] ?? 0);

        return Money::ofMinor(max(0, ($posted[$itemId ?? 0] ?? 0) - $taken), $this->settings->base());
    }

    /** @return list<stdClass> of a customer, the latest first, with what is left of each; residues too */
    public function writtenOff(int $customerId): array
    {
        $columns = ['i.document as write_off', 'i.date', 'i.currency', 'i.amount', 'i.base', 'd.document as debt'];
        $lost = self::standing()->where('d.customer_id', $customerId)->get(
            [...$columns, 'w.item_id', 'w.debt_item_id', 'w.evidence', 'w.tax'],
        );
        $residues = DB::table('items as i')
            ->join('vouchers as v', 'v.id', '=', 'i.voucher_id')
            ->join('runs as r', 'r.id', '=', 'v.run_id')
            ->join('matches as m', 'm.credit_item_id', '=', 'i.root_id')
            ->join('items as d', 'd.id', '=', 'm.debit_item_id')
            ->where(['i.customer_id' => $customerId, 'i.kind' => 'write_off', 'r.kind' => RunKind::Residues->value])
            ->whereNotIn('r.id', DB::table('run_reversals')->select('run_id'))
            ->whereNotExists(Matches::reversed(...))
            ->get([...$columns, 'i.root_id as item_id', 'd.root_id as debt_item_id']);
        $found = [];
        foreach ([...$residues, ...$lost] as $row) {
            $row->evidence ??= 'a residue';
            $row->bore = isset($row->tax) ? AccountRole::ImpairmentLoss : AccountRole::ResiduesWrittenOff;
            $row->tax ??= $this->taxOf($row);
            $row->left = Money::ofMinor($row->amount - $this->recovered($row->write_off, $customerId), $row->currency);
            $row->whole = Money::ofMinor($row->amount, $row->currency);
            $found[$row->item_id] = $row;
        }
        krsort($found);

        return array_values($found);
    }

    /** What came off with a residue, minor units of base currency. */
    private function taxOf(stdClass $residue): int
    {
        if (! $this->settings->isOn(Setting::TaxReliefWriteOffs)) {
            return 0;
        }
        $debt = $this->positions->find($residue->debt_item_id);

        return TaxRelief::within($residue->base, $this->lines->taxed([$debt])[$debt->document] ?? []);
    }

    /**
     * @param ?Money $amount null: all that is left
     *
     * @throws Refusal when there is no such write-off
     */
    public function recovery(int $writeOffId, ?Money $amount): Recovery
    {
        $customer = (int) DB::table('items')->where('id', $writeOffId)->value('customer_id');
        foreach ($this->writtenOff($customer) as $row) {
            if ($row->item_id === $writeOffId) {
                $base = $this->settings->base();

                return new Recovery(
                    $row->debt,
                    $row->write_off,
                    $row->whole,
                    Money::ofMinor($row->base, $base),
                    Money::ofMinor($row->tax, $base),
                    $row->bore,
                    $row->left,
                    $amount ?? $row->left,
                );
            }
        }
        throw Refusal::notFound('There is no such write-off, or it was taken back. Load the page again.');
    }

    /** What write-backs of a write-off brought back on the customer, less those that were taken back. */
    private function recovered(string $writeOff, int $customerId): int
    {
        return (int) DB::table('items')
            ->where(['customer_id' => $customerId, 'kind' => 'write_back', 'reference' => $writeOff])
            ->whereNull('superseded_at')
            ->whereNotIn('root_id', DB::table('item_reversals')->select('item_id'))
            ->sum('amount');
    }

    /** Write-offs whose match stands. */
    private static function standing(): Builder
    {
        return DB::table('written_off as w')
            ->join('items as i', 'i.id', '=', 'w.item_id')
            ->join('items as d', 'd.id', '=', 'w.debt_item_id')
            ->whereNotIn('w.item_id', DB::table('item_reversals')->select('item_id'));
    }
}
