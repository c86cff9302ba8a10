<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use App\Values\AgedTerms;
use App\Values\StatementFilter;
use Illuminate\Support\Facades\DB;

/** Which customers get a statement of a day, and who has it already. */
final readonly class StatementRun
{
    public function __construct(private Reports $reports, private Settings $settings) {}

    /** @return list<StatementTo> by customer number */
    public function of(Account $account, string $asOf, StatementFilter $filter): array
    {
        $sums = [];
        foreach ($this->reports->aged($account, $asOf, new AgedTerms('due'))->rows as $row) {
            [$total, $late] = $sums[$row->customer] ?? [0, 0];
            $sums[$row->customer] = [$total + $row->total, $late + $row->overdue()];
        }
        $sent = DB::table('outbox')->where('subject', self::subject($asOf))->pluck('recorded_at', 'about');
        $to = [];
        foreach (DB::table('customers')->orderBy('customer')->get(['id', 'customer', 'name', 'email', 'customer_group']) as $row) {
            [$total, $late] = $sums[$row->customer] ?? [0, 0];
            $fits = isset($sums[$row->customer])
                && (! $filter->overdue || $late > 0)
                && ($filter->least === null || $total >= $filter->least->minor)
                && ($filter->group === '' || $row->customer_group === $filter->group);
            if ($fits) {
                $base = $this->settings->base();
                $to[] = new StatementTo(
                    $row->id,
                    "{$row->customer} {$row->name}",
                    $row->email,
                    Money::ofMinor($total, $base),
                    Money::ofMinor($late, $base),
                    (string) ($sent["customer {$row->id}"] ?? ''),
                );
            }
        }

        return $to;
    }

    /** @return list<string> groups of customers */
    public function groups(): array
    {
        $groups = DB::table('customers')->where('customer_group', '<>', '')->distinct()->orderBy('customer_group');

        return array_values(array_map(strval(...), $groups->pluck('customer_group')->all()));
    }

    public static function subject(string $asOf): string
    {
        return "Statement of {$asOf}";
    }
}
