<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Currency\ExchangeResult;
use Ajuste\Core\Currency\UnrealisedProof;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Side;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What the four exchange accounts have, by month, currency and customer; and that what is unrealised stands on open items. */
final readonly class ExchangeResults
{
    private const ROLES = [
        AccountRole::ExchangeRealisedGain, AccountRole::ExchangeRealisedLoss,
        AccountRole::ExchangeUnrealisedGain, AccountRole::ExchangeUnrealisedLoss,
    ];

    public function __construct(private Settings $settings, private Positions $positions) {}

    /**
     * They add up to the accounts: a run's voucher has one line for each currency, which its items share out; a line that names no document
     * of a customer stands by itself.
     *
     * @param string $from first day
     * @param string $to last day
     * @return list<ExchangeResult> by account, month, currency and customer
     *
     * @throws Refusal when it ends before it begins
     */
    public function of(string $from, string $to): array
    {
        if ($from > $to) {
            throw new Refusal("{$from} to {$to} ends before it begins. Choose an earlier first day.");
        }
        $accounts = $this->accounts();
        $sums = [];
        foreach ($this->rows(array_keys($accounts), $from, $to) as $row) {
            $key = "{$accounts[$row->account_id]->number} {$row->month} {$row->currency} {$row->customer}";
            $sums[$key] ??= [$row, 0];
            $sums[$key][1] += (int) $row->base;
        }
        ksort($sums, SORT_STRING);
        $results = [];
        foreach ($sums as [$row, $base]) {
            if ($base !== 0) {
                $gain = Money::ofMinor(-$base, $this->settings->base());
                $results[] = new ExchangeResult(
                    $accounts[$row->account_id],
                    $row->month,
                    $row->currency,
                    $row->customer,
                    $row->name,
                    $gain,
                );
            }
        }

        return $results;
    }

    /**
     * What revaluations and returns of all months left on the unrealised accounts, beside what open items of a control account carry of it.
     *
     * @return list<UnrealisedProof> by currency and account
     */
    public function unrealised(Account $control, string $asOf): array
    {
        $posted = $carried = $of = [];
        foreach ($this->of('0001-01-01', $asOf) as $result) {
            if (in_array($result->account->role, [AccountRole::ExchangeUnrealisedGain, AccountRole::ExchangeUnrealisedLoss], true)) {
                $key = "{$result->currency} {$result->account->number}";
                [$of[$key], $posted[$key]] = [[$result->currency, $result->account], ($posted[$key] ?? 0) + $result->gain->minor];
            }
        }
        foreach ($this->positions->standing($control->id, $asOf, null, null, WhichItems::Corrections) as $row) {
            if ($row->carried() !== 0) {
                $account = $this->settings->accounts()->withRole(
                    $row->side === Side::Debit->value ? AccountRole::ExchangeUnrealisedGain : AccountRole::ExchangeUnrealisedLoss,
                );
                $key = "{$row->currency} {$account->number}";
                [$of[$key], $carried[$key]] = [[$row->currency, $account], ($carried[$key] ?? 0) + $row->carried()];
            }
        }
        ksort($of, SORT_STRING);
        $money = fn (int $minor): Money => Money::ofMinor($minor, $this->settings->base());

        return array_map(static fn (array $named, string $key): UnrealisedProof => new UnrealisedProof(
            $named[0], $named[1], $money($posted[$key] ?? 0), $money($carried[$key] ?? 0),
        ), $of, array_keys($of));
    }

    /** @return array<int, Account> by id */
    private function accounts(): array
    {
        $accounts = [];
        foreach (self::ROLES as $role) {
            foreach ($this->settings->accounts()->allWithRole($role) as $account) {
                $accounts[$account->id] = $account;
            }
        }

        return $accounts;
    }

    /**
     * @param list<int> $accountIds
     * @return array<stdClass>
     */
    private function rows(array $accountIds, string $from, string $to): array
    {
        if ($accountIds === []) {
            return [];
        }
        $ids = implode(',', $accountIds);
        // A line of a run names no document: of its items those on the other side of the account make it up.
        $sql = "WITH lines AS (
                SELECT p.id, p.voucher_id, p.account_id, p.date, p.base, p.document, p.customer FROM postings p
                WHERE p.account_id IN ({$ids}) AND p.date BETWEEN ? AND ? AND p.superseded_at IS NULL
            ), shared AS (
                SELECT l.id, l.account_id, l.date, i.customer_id, i.currency,
                    CASE i.side WHEN 'debit' THEN -i.base ELSE i.base END AS base
                FROM lines l
                JOIN items i ON i.voucher_id = l.voucher_id AND i.kind = 'exchange_difference' AND i.superseded_at IS NULL
                    AND i.side = CASE WHEN l.base < 0 THEN 'debit' ELSE 'credit' END
                WHERE l.document = '' AND l.voucher_id IS NOT NULL
            ), single AS (
                SELECT l.account_id, l.date, l.base,
                    coalesce((SELECT i.customer_id FROM items i WHERE i.document = l.document AND i.superseded_at IS NULL
                        ORDER BY i.amount = 0, i.id LIMIT 1), (SELECT c.id FROM customers c WHERE c.customer = l.customer)) AS customer_id,
                    coalesce((SELECT i.currency FROM items i WHERE i.document = l.document AND i.superseded_at IS NULL
                        ORDER BY i.amount = 0, i.id LIMIT 1), '') AS currency
                FROM lines l WHERE l.id NOT IN (SELECT id FROM shared)
            )
            SELECT a.account_id, substr(a.date, 1, 7) AS month, a.currency, coalesce(c.customer, '') AS customer,
                coalesce(c.name, '') AS name, sum(a.base) AS base
            FROM (SELECT account_id, date, base, customer_id, currency FROM single
                UNION ALL SELECT account_id, date, base, customer_id, currency FROM shared) a
            LEFT JOIN customers c ON c.id = a.customer_id
            GROUP BY a.account_id, month, a.currency, c.id";

        return DB::select($sql, [$from, $to]);
    }
}
