<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Aging\AgedList;
use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Aging\DueWeek;
use Ajuste\Core\Allowance\RollRates;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use App\Values\AgedTerms;
use Illuminate\Support\Facades\DB;

/** The aged list at the ends of the last twelve periods: how its columns grew, and how they rolled into each other. */
final readonly class AgedHistory
{
    private const PERIODS = 12;

    private const WEEKS = 6;

    public function __construct(private Settings $settings, private Reports $reports, private AgedItems $items) {}

    /** @return non-empty-list<string> the last days of the periods before, and the day itself, oldest first */
    public function ends(string $asOf): array
    {
        $calendar = $this->settings->calendar();
        $period = $calendar->containing($asOf);
        $ends = [$asOf];
        for ($count = 0; $count < self::PERIODS; $count++) {
            $period = $calendar->before($period);
            array_unshift($ends, $period->last);
        }

        return $ends;
    }

    /** @return non-empty-list<AgedList> one for each end, by due date, credits apart */
    public function lists(Account $account, string $asOf): array
    {
        return array_map(
            fn (string $end): AgedList => $this->reports->aged($account, $end, new AgedTerms('due', credits: Credits::Separate->value)),
            $this->ends($asOf),
        );
    }

    /** @return list<DueWeek> what falls due in each of the next weeks */
    public function dueWeeks(Account $account, string $asOf): array
    {
        return DueWeek::after($asOf, self::WEEKS, $this->items->of($account->id, $asOf));
    }

    /** @return array<string, RollRates> by group of customers; blank: all customers together */
    public function rollRates(Account $account, string $asOf): array
    {
        $ends = $this->ends($asOf);
        $groups = CustomerVersions::groups($asOf);
        $buckets = $this->reports->buckets($asOf, 'due');
        $open = [];
        foreach ($ends as $place => $end) {
            $list = new AgedList($end, $buckets, Credits::Separate, []);
            foreach ($this->items->of($account->id, $end) as $document => $item) {
                if ($item->standing === Side::Debit && $item->base > 0) {
                    $column = $list->parts($item)[0]->column ?? 0;
                    foreach (array_unique(['', $groups[$item->customer] ?? '']) as $group) {
                        $before = $open[$group][$place][$document] ?? [$column, 0];
                        $open[$group][$place][$document] = [max($column, $before[0]), $before[1] + $item->base];
                    }
                }
            }
        }
        $lost = $this->lost($account, $ends[0], $asOf);
        $rates = [];
        foreach ($open as $group => $months) {
            $filled = array_map(static fn (int $place): array => $months[$place] ?? [], array_keys($ends));
            $rates[$group] = RollRates::of($buckets->labels, $filled, $lost[$group] ?? Money::zero($this->settings->base()));
        }
        ksort($rates, SORT_STRING);

        return $rates;
    }

    /** @return array<string, Money> what was written off after a day and through another, by group */
    private function lost(Account $account, string $after, string $through): array
    {
        $rows = DB::table('items as i')
            ->join('customers as c', 'c.id', '=', 'i.customer_id')
            ->where(['i.control_account_id' => $account->id, 'i.kind' => Kind::WriteOff->value])
            ->where('i.date', '>', $after)
            ->where('i.date', '<=', $through)
            ->whereNull('i.superseded_at')
            ->whereNotIn('i.root_id', DB::table('item_reversals')->select('item_id'))
            ->groupByRaw('1')
            ->selectRaw(CustomerVersions::on($through, 'customer_group').' AS name, sum(i.base) AS lost')
            ->pluck('lost', 'name')
            ->map(static fn (mixed $sum): int => is_numeric($sum) ? (int) $sum : 0)
            ->all();
        $base = $this->settings->base();
        $lost = array_map(static fn (int $sum): Money => Money::ofMinor($sum, $base), $rows);
        $lost[''] = Money::ofMinor(array_sum($rows), $base);

        return $lost;
    }
}
