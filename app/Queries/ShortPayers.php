<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\Kind;
use Illuminate\Support\Facades\DB;

/** Who pays short again and again: what was written off as a residue or deducted, over the twelve months to a day. */
final readonly class ShortPayers
{
    private const DAYS = 365;

    /** Once is no habit. */
    private const OFTEN = 2;

    private const SHOWN = 12;

    public function __construct(private Settings $settings) {}

    /** @return list<ShortPayer> the most often first */
    public function of(Account $control, string $asOf): array
    {
        $rows = DB::table('items as i')
            ->join('customers as c', 'c.id', '=', 'i.customer_id')
            ->where('i.control_account_id', $control->id)
            ->whereIn('i.kind', [Kind::WriteOff->value, Kind::Deduction->value])
            ->whereBetween('i.date', [Day::plus($asOf, 1 - self::DAYS), $asOf])
            ->whereNull('i.superseded_at')
            ->whereNotIn('i.root_id', DB::table('item_reversals')->where('date', '<=', $asOf)->select('item_id'))
            ->whereNotIn('i.root_id', DB::table('written_off')->select('item_id'))
            ->groupBy('c.id', 'c.customer', 'c.name')
            ->having('times', '>=', self::OFTEN)
            ->orderByDesc('times')
            ->orderByDesc('sum')
            ->orderBy('c.customer')
            ->limit(self::SHOWN)
            ->selectRaw('c.id, c.customer, c.name, count(*) AS times, sum(i.base) AS sum');

        return array_values(array_map(
            fn (object $row): ShortPayer => new ShortPayer(
                new Customer($row->id, $row->customer, $row->name), $row->times, Money::ofMinor($row->sum, $this->settings->base()),
            ),
            $rows->get()->all(),
        ));
    }
}
