<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Measures\DaysToPay;
use Ajuste\Core\Subledger\BalanceHistory;
use Ajuste\Core\Subledger\Kind;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** How a customer's balance moved, and how late the customer usually pays. */
final class CustomerHistory
{
    public function balance(int $accountId, int $customerId, string $first, string $last): BalanceHistory
    {
        $sums = DB::table('items')
            ->where('customer_id', $customerId)
            ->where('control_account_id', $accountId)
            ->whereNull('superseded_at')
            ->where('date', '<=', $last)
            ->selectRaw("CASE WHEN date < ? THEN '' ELSE date END AS day, sum(CASE side WHEN 'debit' THEN base ELSE -base END) AS base", [
                $first,
            ])
            ->groupBy('day')
            ->pluck('base', 'day')
            ->map(static fn (mixed $base): int => (int) $base)
            ->all();
        $before = $sums[''] ?? 0;
        unset($sums['']);

        return new BalanceHistory($first, $last, $before, $sums);
    }

    /**
     * The documents through a day, the latest first, each with `balance_after`: the customer's balance with it, minor units of base
     * currency, debit-positive.
     *
     * @return Builder<Item>
     */
    public function documents(int $accountId, int $customerId, string $asOf): Builder
    {
        return Item::query()
            ->select('*')
            ->selectRaw("sum(CASE side WHEN 'debit' THEN base ELSE -base END) OVER (ORDER BY date, id) AS balance_after")
            ->where('customer_id', $customerId)
            ->where('control_account_id', $accountId)
            ->where('date', '<=', $asOf)
            ->whereNull('superseded_at')
            ->orderByDesc('date')
            ->orderByDesc('id');
    }

    /** Over the invoices that receipts settled by the day. */
    public function daysToPay(int $accountId, int $customerId, string $asOf): DaysToPay
    {
        $days = new DaysToPay();
        $rows = DB::table('matches as m')
            ->join('items as d', 'd.root_id', '=', 'm.debit_item_id')
            ->join('items as c', 'c.root_id', '=', 'm.credit_item_id')
            ->where('d.customer_id', $customerId)
            ->where('d.control_account_id', $accountId)
            ->whereIn('d.kind', Kind::invoices())
            ->where('c.kind', Kind::Receipt->value)
            ->whereNull('d.superseded_at')
            ->whereNull('c.superseded_at')
            ->where('m.date', '<=', $asOf)
            ->where('m.debit_base', '>', 0)
            ->whereNotExists(Matches::reversed(...))
            ->orderByDesc('m.id')
            ->limit(500)
            ->get(['d.due_date', 'c.date', 'm.debit_base']);
        foreach ($rows as $row) {
            $days->add($row->due_date, $row->date, $row->debit_base);
        }

        return $days;
    }
}
