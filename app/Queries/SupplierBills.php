<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Contra\Bill;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What is open of suppliers' bills. The file says it as of its own day; on an earlier day what was paid since is open again, as far as the
 * file has the payments. Own contras that no file has brought back yet lessen it.
 */
final readonly class SupplierBills
{
    /** Suppliers that are asked about by one question. */
    private const TOGETHER = 500;

    public function __construct(private Settings $settings) {}

    /**
     * @param list<int> $supplierIds
     * @return array<int, list<Bill>> by supplier
     *
     * @throws Refusal when the file is of a later day and does not have the payments since
     */
    public function asOf(string $day, array $supplierIds): array
    {
        $fileDay = (string) DB::table('supplier_items')->max('date');
        $bills = $days = [];
        foreach (array_chunk($supplierIds, self::TOGETHER) as $some) {
            // What is settled matters for an earlier day only.
            $rows = DB::table('supplier_items')
                ->whereIn('supplier_id', $some)
                ->where('kind', '<>', 'contra')
                ->when($fileDay <= $day, static fn (Builder $query) => $query->where('open', '<>', 0))
                ->orderBy('id');
            $since = $fileDay > $day ? self::paid($some) : [];
            $contras = $this->contras($day, $some);
            foreach ($rows->cursor() as $row) {
                // What many rows say alike is in memory once.
                $row->date = $days[$row->date] ??= $row->date;
                $row->due_date = $days[$row->due_date] ??= $row->due_date;
                $open = $row->open;
                if ($fileDay > $day && $row->kind === 'bill' && $row->date <= $day) {
                    $open += $this->paidSince($row, $since["{$row->supplier_id} {$row->document}"] ?? [], $day);
                }
                $bills[(int) $row->supplier_id][] = $this->bill($row, $open, $contras[$row->id] ?? null);
            }
        }

        return $bills;
    }

    /**
     * @return list<Bill> what is open of one supplier, the oldest due first
     *
     * @throws Refusal when the file is of a later day and does not have the payments since
     */
    public function openAsOf(string $day, int $supplierId): array
    {
        $bills = array_values(array_filter(
            $this->asOf($day, [$supplierId])[$supplierId] ?? [],
            static fn (Bill $bill): bool => $bill->date <= $day && ! $bill->open->isZero(),
        ));
        usort($bills, Bill::byAge(...));

        return $bills;
    }

    private function bill(stdClass $row, int $open, ?stdClass $contra): Bill
    {
        $base = $this->settings->base();
        $whole = Money::ofMinor($row->base, $base);
        $amount = Money::ofMinor($row->amount, $row->currency);
        $carried = $row->carrying !== null && $open === $row->open
            ? Money::ofMinor($row->carrying, $base)
            : $whole->share(Money::ofMinor($open, $row->currency), $amount);

        $stillOpen = Money::ofMinor(max(0, $open - (int) ($contra->amount ?? 0)), $row->currency);
        $stillCarried = Money::ofMinor(max(0, $carried->minor - (int) ($contra->base ?? 0)), $base);

        return new Bill(
            $row->id,
            $row->document,
            $row->date,
            $row->due_date,
            $stillOpen,
            $stillCarried->equals($stillOpen) ? $stillOpen : $stillCarried,
            $row->kind !== 'bill',
            (bool) $row->blocked,
        );
    }

    /**
     * What the file says was taken of each bill, by payments, credits and contras that name it.
     *
     * @param list<int> $supplierIds
     * @return array<string, list<stdClass>> by supplier and bill
     */
    private static function paid(array $supplierIds): array
    {
        $paid = [];
        $rows = DB::table('supplier_items')
            ->whereIn('supplier_id', $supplierIds)
            ->where('kind', '<>', 'bill')
            ->where('reference', '<>', '')
            ->orderBy('id');
        foreach ($rows->cursor() as $row) {
            $paid["{$row->supplier_id} {$row->reference}"][] = $row;
        }

        return $paid;
    }

    /**
     * @param list<stdClass> $taken
     *
     * @throws Refusal when what was taken of the bill is not all in the file
     */
    private function paidSince(stdClass $bill, array $taken, string $day): int
    {
        $all = array_sum(array_map(static fn (stdClass $of): int => $of->amount - $of->open, $taken));
        if ($all !== $bill->amount - $bill->open) {
            throw new Refusal(
                "Bill {$bill->document} has {$this->say($bill->amount - $bill->open, $bill)} taken of it, and supplier_items.csv has "
                    ."payments of {$this->say($all, $bill)} that name it: what was open on {$day} cannot be said. Hand in the payments "
                    .'with the bill as their reference, or look as of the day of the file.',
            );
        }
        $later = array_filter($taken, static fn (stdClass $of): bool => $of->date > $day);

        return array_sum(array_map(static fn (stdClass $of): int => $of->amount - $of->open, $later));
    }

    private function say(int $minor, stdClass $bill): string
    {
        return Money::ofMinor($minor, $bill->currency)->grouped();
    }

    /**
     * @param list<int> $supplierIds
     * @return array<int, stdClass> amount and base that own contras take of each bill, where no file has brought them back
     */
    private function contras(string $day, array $supplierIds): array
    {
        return DB::table('supplier_contra_bills as b')
            ->join('supplier_contras as c', 'c.item_id', '=', 'b.item_id')
            ->join('items as i', static fn ($join) => $join->on('i.root_id', '=', 'c.item_id')->whereNull('i.superseded_at'))
            ->whereIn('c.supplier_id', $supplierIds)
            ->where('i.date', '<=', $day)
            ->whereNotExists(static fn (Builder $query) => $query
                ->from('item_reversals as r')
                ->whereColumn('r.item_id', 'c.item_id')
                ->where('r.date', '<=', $day))
            ->whereNotExists(static fn (Builder $query) => $query
                ->from('supplier_items as s')
                ->where('s.kind', 'contra')
                ->whereColumn('s.supplier_id', 'c.supplier_id')
                ->whereColumn('s.document', 'i.document'))
            ->groupBy('b.supplier_item_id')
            ->selectRaw('b.supplier_item_id, sum(b.amount) AS amount, sum(b.base) AS base')
            ->get()
            ->keyBy('supplier_item_id')
            ->all();
    }
}
