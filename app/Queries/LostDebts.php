<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\BadDebt\LostDebt;
use Ajuste\Core\BadDebt\Recovery;
use Ajuste\Core\BadDebt\UnusedAllowance;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\RunKind;
use Ajuste\Core\Settlement\TaxRelief;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
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
        $debts = $unused = [];
        foreach ($items as $id => $item) {
            $customer = $item->head->account->customerId;
            $unused[$customer] ??= $this->unused($customer);
            $debts[] = new LostDebt(
                $item,
                $amounts[$id] ?? $item->takeable,
                $taxed[$item->document] ?? [],
                $unused[$customer]->ofDocument($id),
            );
        }

        return $debts;
    }

    /** What the last allowance run that stands posted specifically for a customer, less what write-offs used since. */
    public function unused(int $customerId): UnusedAllowance
    {
        $run = DB::table('runs')
            ->where('kind', RunKind::Allowance->value)
            ->whereNotIn('id', DB::table('run_reversals')->select('run_id'))
            ->orderByDesc('as_of')
            ->orderByDesc('id')
            ->first(['id', 'recorded_at']);
        $posted = DB::table('allowance_posted')
            ->where(['run_id' => $run->id ?? 0, 'customer_id' => $customerId])
            ->groupBy('item')
            ->selectRaw('coalesce(item_id, '.UnusedAllowance::WHOLE.') AS item, sum(amount) AS posted')
            ->pluck('posted', 'item');
        $used = self::standing()
            ->where('d.customer_id', $customerId)
            ->where('w.recorded_at', '>', $run->recorded_at ?? '')
            ->groupBy('w.debt_item_id')
            ->selectRaw('w.debt_item_id AS item, sum(w.from_allowance) AS used')
            ->pluck('used', 'item');

        return new UnusedAllowance(self::minor($posted), self::minor($used), $this->settings->base());
    }

    /**
     * @param Collection<array-key, mixed> $sums
     * @return array<int, int>
     */
    private static function minor(Collection $sums): array
    {
        $minor = [];
        foreach ($sums as $item => $sum) {
            $minor[(int) $item] = is_numeric($sum) ? (int) $sum : 0;
        }

        return $minor;
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
        $taxes = $this->taxesOf(array_values($residues->all()));
        $recovered = self::recovered($customerId);
        $found = [];
        foreach ([...$residues, ...$lost] as $row) {
            $row->evidence ??= 'a residue';
            $row->bore = isset($row->tax) ? AccountRole::ImpairmentLoss : AccountRole::ResiduesWrittenOff;
            $row->tax ??= $taxes[$row->item_id] ?? 0;
            $row->left = Money::ofMinor($row->amount - ($recovered[$row->write_off] ?? 0), $row->currency);
            $row->whole = Money::ofMinor($row->amount, $row->currency);
            $found[$row->item_id] = $row;
        }
        krsort($found);

        return array_values($found);
    }

    /**
     * @param list<stdClass> $residues
     * @return array<int, int> what came off with each, by the write-off; minor units of base currency
     */
    private function taxesOf(array $residues): array
    {
        $residues = array_values(
            array_filter($residues, fn (stdClass $row): bool => $this->settings->on($row->date)->isOn(Setting::TaxReliefWriteOffs)),
        );
        $debts = $this->positions->several(array_map(static fn (stdClass $row): int => (int) $row->debt_item_id, $residues));
        $taxed = $this->lines->taxed(array_values($debts));
        $taxes = [];
        foreach ($residues as $row) {
            $taxes[(int) $row->item_id] = TaxRelief::within($row->base, $taxed[$debts[$row->debt_item_id]->document] ?? []);
        }

        return $taxes;
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

    /** @return array<string, int> what write-backs brought back on a customer, by write-off, less those that were taken back */
    private static function recovered(int $customerId): array
    {
        $rows = DB::table('items')
            ->where(['customer_id' => $customerId, 'kind' => 'write_back'])
            ->whereNull('superseded_at')
            ->whereNotIn('root_id', DB::table('item_reversals')->select('item_id'))
            ->groupBy('reference')
            ->selectRaw('reference, sum(amount) AS amount')
            ->get();
        $sums = [];
        foreach ($rows as $row) {
            $sums[(string) $row->reference] = (int) $row->amount;
        }

        return $sums;
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
