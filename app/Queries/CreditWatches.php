<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Credit\CreditWatch;
use Ajuste\Core\Credit\MoneyCame;
use Ajuste\Core\Credit\Owed;
use Ajuste\Core\Credit\Promise;
use Ajuste\Core\Credit\Security;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Limits, promises and securities of customers and their documents, beside what they owe. */
final readonly class CreditWatches
{
    public function __construct(private Positions $positions, private Rates $rates, private Settings $settings) {}

    /**
     * @param list<int> $customerIds
     * @return array<int, CreditWatch> by customer id, those of whom something is to be said
     */
    public function of(Account $account, string $asOf, array $customerIds): array
    {
        [$promises, $securities] = [$this->promises($account, $asOf, $customerIds), self::securities($customerIds)];
        $owed = $this->owed($account, $asOf, $customerIds);
        $watches = [];
        foreach ($customerIds as $id) {
            $watch = new CreditWatch($asOf, $owed[$id] ?? null, $promises[$id] ?? [], $securities[$id] ?? []);
            if (! $watch->isEmpty()) {
                $watches[$id] = $watch;
            }
        }

        return $watches;
    }

    /**
     * @param list<int> $customerIds
     * @return array<int, Owed> of those who have a limit
     */
    private function owed(Account $account, string $asOf, array $customerIds): array
    {
        $limits = [];
        $limit = CustomerVersions::on($asOf, 'credit_limit');
        $rows = DB::table('customers as c')->whereIn('c.id', $customerIds)->whereRaw("{$limit} IS NOT NULL");
        foreach ($rows->select(['c.id', 'c.currency'])->selectRaw("{$limit} AS credit_limit")->get() as $row) {
            $limits[(int) $row->id] = Money::ofMinor((int) $row->credit_limit, $row->currency);
        }
        $base = $this->settings->base();
        $open = $carried = [];
        foreach ($limits === [] ? [] : $this->positions->standing($account->id, $asOf, null, array_keys($limits)) as $row) {
            [$of, $code] = [$row->customer_id, $row->currency];
            $open[$of][$code] = ($open[$of][$code] ?? Money::zero($code))->plus(Money::ofMinor($row->open(), $code));
            $carried[$of] = ($carried[$of] ?? Money::zero($base))->plus(Money::ofMinor($row->carried(), $base));
        }

        $owed = [];
        foreach ($limits as $id => $limit) {
            $owed[$id] = Owed::beside(
                $limit, $open[$id] ?? [], $carried[$id] ?? Money::zero($base), fn (Money $of): ?Money => $this->inBase($of, $asOf),
            );
        }

        return $owed;
    }

    private function inBase(Money $amount, string $asOf): ?Money
    {
        try {
            return $this->rates->toBase($amount, $asOf);
        } catch (Refusal) {
            return null; // no rate serves
        }
    }

    /**
     * @param list<int> $customerIds
     * @return array<int, list<Promise>>
     */
    private function promises(Account $account, string $asOf, array $customerIds): array
    {
        $rows = DB::table('promises')
            ->whereIn('customer_id', $customerIds)
            ->where('given_on', '<=', $asOf)
            ->whereNotIn('id', DB::table('promises_ended')->select('promise_id'))
            ->get();
        $given = [];
        foreach ($rows as $row) {
            $given[(int) $row->customer_id][] = new Promise(
                $row->id, $row->given_on, $row->pay_by, Money::ofMinor($row->amount, $row->currency), $row->by_whom, $row->item_id,
            );
        }
        $came = $given === [] ? [] : self::came($account, (string) $rows->min('given_on'), $asOf, array_keys($given));

        $measured = [];
        foreach ($given as $id => $promises) {
            $measured[$id] = Promise::measured($promises, $came[$id] ?? []);
        }

        return $measured;
    }

    /**
     * Receipts of a span, with what of each was matched with which document.
     *
     * @param list<int> $customerIds
     * @return array<int, list<MoneyCame>> by customer, the oldest first
     */
    private static function came(Account $account, string $from, string $asOf, array $customerIds): array
    {
        $matched = static fn (JoinClause $join): JoinClause => $join
            ->on('m.credit_item_id', '=', 'i.root_id')
            ->where('m.date', '<=', $asOf)
            ->whereNotExists(Matches::reversed(...));
        $rows = DB::table('items as i')
            ->leftJoin('matches as m', $matched)
            ->whereIn('i.customer_id', $customerIds)
            ->where(['i.control_account_id' => $account->id, 'i.kind' => Kind::Receipt->value])
            ->whereBetween('i.date', [$from, $asOf])
            ->whereNull('i.superseded_at')
            ->whereNotIn('i.root_id', DB::table('item_reversals')->select('item_id'))
            ->orderBy('i.date')
            ->orderBy('i.root_id')
            ->get(['i.root_id', 'i.customer_id', 'i.date', 'i.amount', 'i.currency', 'm.debit_item_id', 'm.amount as matched']);
        $came = [];
        foreach ($rows->groupBy('root_id')->map->all() as $parts) {
            $settled = [];
            foreach ($parts as $part) {
                $of = Money::ofMinor((int) $part->matched, $part->currency);
                $before = $settled[(int) $part->debit_item_id] ?? Money::zero($of->currency);
                $settled[(int) $part->debit_item_id] = $before->plus($of);
            }
            foreach (array_slice($parts, 0, 1) as $receipt) {
                $amount = Money::ofMinor($receipt->amount, $receipt->currency);
                $came[(int) $receipt->customer_id][] = new MoneyCame($receipt->date, $amount, $settled);
            }
        }

        return $came;
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
        $amount = Money::ofMinor($row->amount, $row->currency);

        return new Security($row->id, $row->what, $row->reference, $row->valid_until, $amount, $row->item_id);
    }
}
