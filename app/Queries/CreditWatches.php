<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Credit\CreditWatch;
use Ajuste\Core\Credit\Promise;
use Ajuste\Core\Credit\Security;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Limits, promises and securities of customers, beside what they owe. */
final readonly class CreditWatches
{
    /**
     * @param list<int> $customerIds
     * @return array<int, CreditWatch> by customer id, those of whom something is to be said
     */
    public function of(Account $account, string $asOf, array $customerIds): array
    {
        [$promises, $securities] = [$this->promises($account, $asOf, $customerIds), self::securities($customerIds)];
        $rows = DB::table('customers')->whereIn('id', $customerIds)->get(['id', 'currency', 'credit_limit']);
        $limited = $rows->whereNotNull('credit_limit')->pluck('id')->all();
        $owed = DB::table('items as i')
            ->join('customers as c', 'c.id', '=', 'i.customer_id')
            ->whereIn('i.customer_id', $limited)
            ->where('i.control_account_id', $account->id)
            ->whereColumn('i.currency', 'c.currency')
            ->where('i.date', '<=', $asOf)
            ->whereNull('i.superseded_at')
            ->groupBy('i.customer_id')
            ->selectRaw("i.customer_id, sum(CASE i.side WHEN 'debit' THEN i.amount ELSE -i.amount END) AS owed")
            ->pluck('owed', 'customer_id');
        $watches = [];
        foreach ($rows as $row) {
            $watch = new CreditWatch(
                $asOf,
                Money::ofMinor((int) ($owed[$row->id] ?? 0), $row->currency),
                $row->credit_limit === null ? null : Money::ofMinor((int) $row->credit_limit, $row->currency),
                $promises[$row->id] ?? [],
                $securities[$row->id] ?? [],
            );
            if ($watch->says() !== [] || $watch->promises !== []) {
                $watches[(int) $row->id] = $watch;
            }
        }

        return $watches;
    }

    /**
     * @param list<int> $customerIds
     * @return array<int, list<Promise>>
     */
    private function promises(Account $account, string $asOf, array $customerIds): array
    {
        $receipts = static fn (JoinClause $join): JoinClause => $join
            ->on('i.customer_id', '=', 'p.customer_id')
            ->on('i.currency', '=', 'p.currency')
            ->whereColumn('i.date', '>=', 'p.given_on')
            ->whereColumn('i.date', '<=', 'p.pay_by')
            ->where('i.date', '<=', $asOf)
            ->where(['i.control_account_id' => $account->id, 'i.kind' => Kind::Receipt->value])
            ->whereNull('i.superseded_at')
            ->whereNotIn('i.root_id', DB::table('item_reversals')->select('item_id'));
        $rows = DB::table('promises as p')
            ->leftJoin('items as i', $receipts)
            ->whereIn('p.customer_id', $customerIds)
            ->where('p.given_on', '<=', $asOf)
            ->whereNotIn('p.id', DB::table('promises_ended')->select('promise_id'))
            ->groupBy('p.id')
            ->orderBy('p.pay_by')
            ->orderBy('p.id')
            ->selectRaw('p.*, coalesce(sum(i.amount), 0) AS paid')
            ->get();
        $promises = [];
        foreach ($rows as $row) {
            $promises[(int) $row->customer_id][] = new Promise(
                $row->id, $row->given_on, $row->pay_by, Money::ofMinor($row->amount, $row->currency), $row->by_whom,
                Money::ofMinor((int) $row->paid, $row->currency),
            );
        }

        return $promises;
    }

    /**
     * @param list<int> $customerIds
     * @return array<int, list<Security>>
     */
    private static function securities(array $customerIds): array
    {
        $rows = DB::table('securities')
            ->whereIn('customer_id', $customerIds)
            ->whereNotIn('id', DB::table('securities_ended')->select('security_id'))
            ->orderBy('id')
            ->get();
        $securities = [];
        foreach ($rows as $row) {
            $securities[(int) $row->customer_id][] = self::security($row);
        }

        return $securities;
    }

    private static function security(stdClass $row): Security
    {
        return new Security($row->id, $row->what, $row->reference, $row->valid_until, Money::ofMinor($row->amount, $row->currency));
    }
}
