<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Measures\DaysToPay;
use Ajuste\Core\Measures\Measure;
use Ajuste\Core\Measures\Measures;
use Ajuste\Core\Measures\MonthOfSales;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;
use App\Values\AgedTerms;
use Illuminate\Support\Facades\DB;

/** What the measures of a period are worked out from: balances, sales by month, what was paid how late. */
final readonly class MeasureFigures
{
    /** So many periods back the balance is looked for in sales. */
    private const MONTHS = 24;

    public function __construct(private Settings $settings, private Reports $reports, private ControlFigures $figures) {}

    /** @return list<Measure> of the period that the day is in, through that day */
    public function of(Account $account, string $asOf): array
    {
        $calendar = $this->settings->calendar();
        $period = $calendar->containing($asOf);
        $aged = $this->reports->aged($account, $asOf, new AgedTerms('due'));
        $months = [$this->sales($account, $period, $asOf)];
        for ($before = $calendar->before($period); count($months) < self::MONTHS; $before = $calendar->before($before)) {
            $months[] = $this->sales($account, $before, $before->last);
        }
        $base = $this->settings->base();

        return (new Measures(
            $this->figures->at($account, Day::plus($period->first, -1))->customers,
            $this->figures->at($account, $asOf)->customers,
            Money::ofMinor($aged->totals->amounts[0], $base),
            $months,
            $this->paid($account, $period->first, $asOf),
        ))->all();
    }

    private function sales(Account $account, Period $period, string $last): MonthOfSales
    {
        $sales = DB::table('items')
            ->where('control_account_id', $account->id)
            ->whereBetween('date', [$period->first, $last])
            ->whereIn('kind', Kind::values(static fn (Kind $of): bool => $of->isSale()))
            ->whereNull('superseded_at')
            ->sum('base');

        return new MonthOfSales(
            $period->name,
            Day::between($period->first, $last) + 1,
            Money::ofMinor((int) $sales, $this->settings->base()),
        );
    }

    /** What receipts settled in the period, with the days from due date to payment. */
    private function paid(Account $account, string $first, string $last): DaysToPay
    {
        $days = new DaysToPay();
        $paid = DB::table('matches as m')
            ->join('items as d', 'd.root_id', '=', 'm.debit_item_id')
            ->join('items as c', 'c.root_id', '=', 'm.credit_item_id')
            ->where('d.control_account_id', $account->id)
            ->whereIn('d.kind', Kind::invoices())
            ->where('c.kind', Kind::Receipt->value)
            ->whereNull('d.superseded_at')
            ->whereNull('c.superseded_at')
            ->whereBetween('m.date', [$first, $last])
            ->where('m.debit_base', '>', 0)
            ->whereNotExists(Matches::reversed(...))
            ->groupBy('d.due_date', 'c.date')
            ->selectRaw('d.due_date, c.date, sum(m.debit_base) AS amount')
            ->get();
        foreach ($paid as $row) {
            $days->add($row->due_date, $row->date, (int) $row->amount);
        }

        return $days;
    }
}
