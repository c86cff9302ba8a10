<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Money;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What a customer is to policies, group, related or not, credit limit, as it holds on a day. Of most nothing was ever said otherwise. */
final class CustomerVersions
{
    /**
     * SQL in a query of customers that calls them `c`.
     *
     * @param 'customer_group'|'related'|'credit_limit' $column
     */
    public static function on(string $day, string $column): string
    {
        $of = 'customer_versions v WHERE v.customer_id = c.id';

        return "(CASE WHEN EXISTS (SELECT 1 FROM {$of}) THEN (SELECT v.{$column} FROM {$of} AND v.from_day <= '".Day::of($day)
            ."' ORDER BY v.from_day DESC, v.id DESC LIMIT 1) ELSE c.{$column} END)";
    }

    /** @return list<stdClass> what was said of a customer, those of the latest day first; none where nothing was ever said otherwise */
    public static function of(string $customer): array
    {
        $rows = DB::table('customer_versions as v')
            ->join('customers as c', 'c.id', '=', 'v.customer_id')
            ->where('c.customer', $customer)
            ->orderByDesc('v.from_day')
            ->orderByDesc('v.id')
            ->get(['v.*', 'c.currency']);
        foreach ($rows as $row) {
            $row->limit = $row->credit_limit === null ? null : Money::ofMinor((int) $row->credit_limit, $row->currency);
        }

        return array_values($rows->all());
    }

    /** @return array<string, string> group by customer number */
    public static function groups(string $day): array
    {
        $groups = DB::table('customers as c')->select('c.customer')->selectRaw(self::on($day, 'customer_group').' AS said');

        return array_map(strval(...), $groups->pluck('said', 'customer')->all());
    }
}
