<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\SignOff\ComparedFigure;
use Illuminate\Support\Facades\DB;

/** The main figures of a period beside the period and the year before, as known now. */
final readonly class ComparedFigures
{
    private const MAIN = [
        AccountRole::CustomerDeposits, AccountRole::Allowance, AccountRole::CustomersInCredit, AccountRole::ImpairmentLoss,
        AccountRole::ResiduesWrittenOff,
    ];

    public function __construct(private Settings $settings, private TrialBalance $balance) {}

    /** @return list<ComparedFigure> those that are or were not nil; none where the books begin with the period */
    public function of(Period $period): array
    {
        $calendar = $this->settings->calendar();
        if (! DB::table('postings')->where('date', '<=', $calendar->before($period)->last)->exists()) {
            return [];
        }
        $yearBefore = $calendar->containing(Day::plusMonths($period->first, -12));
        $now = $this->at($period->last);
        [$before, $then] = [$this->at($calendar->before($period)->last), $this->at($yearBefore->last)];
        $nil = Money::zero($this->settings->base());
        $figures = [];
        foreach (array_keys([...$now, ...$before]) as $name) {
            $figure = new ComparedFigure($name, $now[$name] ?? $nil, $before[$name] ?? $nil, $then[$name] ?? $nil);
            if (! $figure->now->isZero() || ! $figure->before->isZero()) {
                $figures[] = $figure;
            }
        }

        return $figures;
    }

    /** @return array<string, Money> as the figures that are signed are named */
    private function at(string $day): array
    {
        $figures = [];
        foreach ($this->balance->lines($day) as $line) {
            if ($line->tie !== null || in_array($line->account->role, self::MAIN, true)) {
                $figures["balance of {$line->account->number}"] = $line->balance;
            }
        }

        return $figures;
    }
}
