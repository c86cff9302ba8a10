<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proof\DayChart;
use Illuminate\Support\Facades\DB;

/** The three figures of the proof line and their course day by day, from the day sums. */
final readonly class ControlFigures
{
    public function __construct(private Settings $settings) {}

    public function at(Account $account, string $asOf, ?string $knownAt = null): ProofLineFigures
    {
        $sums =
            $knownAt === null
                ? DB::table('control_days')
                    ->where('account_id', $account->id)
                    ->where('date', '<=', $asOf)
                    ->selectRaw('coalesce(sum(ledger), 0) AS ledger, coalesce(sum(items), 0) AS items')
                    ->first()
                : DB::selectOne(
                    'SELECT (SELECT coalesce(sum(base), 0) FROM postings WHERE account_id = :a AND date <= :d AND recorded_at <= :k AND '
                        ."(superseded_at IS NULL OR superseded_at > :k)) AS ledger,
                        (SELECT coalesce(sum(CASE side WHEN 'debit' THEN base ELSE -base END), 0) FROM items WHERE control_account_id = :a
                            AND date <= :d AND recorded_at <= :k AND (superseded_at IS NULL OR superseded_at > :k)) AS items",
                    ['a' => $account->id, 'd' => $asOf, 'k' => $knownAt],
                );
        // From the vouchers that are not taken over yet to their lines, so that the years of history are not read for it.
        $own = (int) DB::scalar(
            'SELECT coalesce(sum(p.base), 0) FROM vouchers v CROSS JOIN postings p INDEXED BY postings_voucher ON p.voucher_id = v.id
             WHERE v.recorded_at <= :k AND p.account_id = :a AND p.date <= :d
               AND NOT EXISTS (SELECT 1 FROM voucher_confirmations c WHERE c.voucher_id = v.id AND c.recorded_at <= :k)',
            ['a' => $account->id, 'd' => $asOf, 'k' => $knownAt ?? '9999'],
        );
        $money = fn (int $minor): Money => Money::ofMinor($minor, $this->settings->base());

        return new ProofLineFigures($account, $asOf, $money((int) $sums->ledger), $money($own), $money((int) $sums->items));
    }

    public function days(Account $account, string $first, string $last): DayChart
    {
        $days = DB::table('control_days')->where('account_id', $account->id);
        $before = (clone $days)
            ->where('date', '<', $first)
            ->selectRaw('coalesce(sum(ledger), 0) AS ledger, coalesce(sum(items), 0) AS items')
            ->first();
        $moves = [];
        foreach ((clone $days)->whereBetween('date', [$first, $last])->get() as $day) {
            $moves[$day->date] = [(int) $day->ledger, (int) $day->items];
        }

        return DayChart::of($first, $last, (int) ($before->ledger ?? 0), (int) ($before->items ?? 0), $moves);
    }
}
