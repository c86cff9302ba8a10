<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Allowance\AllowanceEntry;
use Ajuste\Core\Allowance\AllowanceMovement;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Illuminate\Support\Facades\DB;
use stdClass;

/** How the allowance moved in a period, by the entries of the ledger, own vouchers included. */
final readonly class AllowanceMovements
{
    public function __construct(private Settings $settings, private AllowanceBook $book) {}

    /** From the first day of its period through a day. */
    public function of(string $asOf): AllowanceMovement
    {
        $period = $this->settings->calendar()->containing($asOf);
        $before = $this->settings->calendar()->before($period)->last;

        return AllowanceMovement::of($this->book->before($before), $this->entries($period->first, $asOf), $this->settings->base());
    }

    /** @return list<AllowanceEntry> */
    private function entries(string $from, string $to): array
    {
        $allowance = array_map(
            static fn (Account $account): int => $account->id,
            $this->settings->accounts()->allWithRole(AccountRole::Allowance),
        );
        $rows = DB::table('postings as p')
            ->leftJoin('vouchers as v', 'v.id', '=', 'p.voucher_id')
            ->whereIn('p.account_id', $allowance)
            ->whereBetween('p.date', [$from, $to])
            ->whereNull('p.superseded_at')
            ->groupBy('p.entry', 'p.voucher_id', 'v.reverses_id')
            ->selectRaw('p.entry, p.voucher_id, v.reverses_id, -sum(p.base) AS minor, '
                .'(SELECT group_concat(DISTINCT a.role) FROM postings o JOIN accounts a ON a.id = o.account_id '
                .'WHERE o.entry = p.entry AND o.voucher_id IS p.voucher_id '
                ."AND o.superseded_at IS NULL AND a.role <> 'allowance') AS roles")
            ->get();

        return array_values($rows->map(static fn (stdClass $row): AllowanceEntry => new AllowanceEntry(
            (int) $row->minor,
            array_values(array_filter(array_map(AccountRole::tryFrom(...), explode(',', (string) $row->roles)))),
            $row->reverses_id !== null,
        ))->all());
    }
}
