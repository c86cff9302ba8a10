<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Side;
use Generator;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The rows of a close pack: what was known at the lock of everything dated through the period's last day, in an order of its own. */
final readonly class PackRows
{
    public function __construct(private AgedItems $aged, private Positions $positions) {}

    /** @return Generator<int, array<string, string>> */
    public function ledger(string $last, string $knownAt): Generator
    {
        $rows = DB::table('postings as p')
            ->join('accounts as a', 'a.id', '=', 'p.account_id')
            ->where('p.date', '<=', $last)
            ->where('p.recorded_at', '<=', $knownAt)
            ->where(static fn ($query) => $query->whereNull('p.superseded_at')->orWhere('p.superseded_at', '>', $knownAt))
            ->orderBy('p.id')
            ->select([
                'p.entry',
                'p.date',
                'a.account',
                'p.description',
                'p.base',
                'p.document',
                'p.customer',
                'p.currency',
                'p.currency_amount',
            ]);
        foreach ($rows->cursor() as $row) {
            yield self::text($row);
        }
    }

    /** @return Generator<int, array<string, string>> */
    public function items(string $last, string $knownAt): Generator
    {
        $rows = DB::table('items as i')
            ->join('accounts as a', 'a.id', '=', 'i.control_account_id')
            ->join('customers as c', 'c.id', '=', 'i.customer_id')
            ->where('i.date', '<=', $last)
            ->where('i.recorded_at', '<=', $knownAt)
            ->where(static fn ($query) => $query->whereNull('i.superseded_at')->orWhere('i.superseded_at', '>', $knownAt))
            ->orderBy('i.root_id')
            ->select([
                'i.root_id as id', 'i.document', 'i.kind', 'c.customer', 'i.date', 'i.due_date', 'i.currency', 'i.amount', 'i.base',
                'i.side', 'a.account', 'i.reference', 'i.source_item_id as corrects',
            ]);
        foreach ($rows->cursor() as $row) {
            yield self::text($row);
        }
    }

    /** @return Generator<int, array<string, string>> */
    public function matches(string $last, string $knownAt): Generator
    {
        $rows = DB::table('matches as m')
            ->leftJoin('match_reversals as r', static fn ($join) => $join
                ->on('r.match_id', '=', 'm.id')
                ->where('r.date', '<=', $last)
                ->where('r.recorded_at', '<=', $knownAt))
            ->whereNull('r.match_id')
            ->where('m.date', '<=', $last)
            ->where('m.recorded_at', '<=', $knownAt)
            ->orderBy('m.id')
            ->select(
                ['m.id', 'm.date', 'm.debit_item_id as debit', 'm.credit_item_id as credit', 'm.amount', 'm.debit_base', 'm.credit_base'],
            );
        foreach ($rows->cursor() as $row) {
            yield self::text($row);
        }
    }

    /** @return Generator<int, array<string, string>> */
    public function open(int $accountId, string $account, string $last, string $knownAt): Generator
    {
        foreach ($this->aged->of($accountId, $last, $knownAt) as $id => $item) {
            yield [
                'item' => (string) $id,
                'account' => $account,
                'customer' => $item->customer,
                'currency' => $item->currency,
                'base' => (string) $item->base,
                'standing' => $item->standing->value,
                'date' => $item->date,
                'due_date' => $item->dueDate,
                'contested' => (string) $item->contested,
            ];
        }
    }

    /**
     * Credits that were not matched, with the reason for which a person left them.
     *
     * @param list<Account> $accounts
     * @return Generator<int, array<string, string>>
     */
    public function unapplied(array $accounts, string $last, string $knownAt): Generator
    {
        $reasons = DB::table('loose_reasons')->where('recorded_at', '<=', $knownAt)->orderBy('id')->get()->keyBy('customer_id');
        foreach ($accounts as $account) {
            foreach ($this->positions->standing($account->id, $last, $knownAt, null) as $row) {
                if ($row->side === Side::Credit->value && $row->open() !== 0) {
                    $reason = $reasons[$row->customer_id] ?? null;
                    yield [
                        'account' => $account->number,
                        'customer' => $row->customer,
                        'name' => $row->name,
                        'document' => $row->document,
                        'kind' => $row->kind,
                        'date' => $row->date,
                        'currency' => $row->currency,
                        'open' => Money::ofMinor(abs($row->open()), $row->currency)->decimal(),
                        'reason' => (string) ($reason->reason ?? ''),
                        'until' => (string) ($reason->look_again ?? ''),
                    ];
                }
            }
        }
    }

    /**
     * Every run of the period, line by line, those that were taken back too: what each took, then what each left out.
     *
     * @return Generator<int, array<string, string>>
     */
    public function runs(Period $period, string $knownAt): Generator
    {
        foreach ([RunRows::taken(), RunRows::leftOut()] as $rows) {
            $rows->leftJoin('run_reversals as b', static fn ($join) => $join
                ->on('b.run_id', '=', 'r.id')
                ->where('b.recorded_at', '<=', $knownAt))
                ->whereBetween('r.as_of', [$period->first, $period->last])
                ->where('r.recorded_at', '<=', $knownAt)
                ->addSelect('b.reason as taken_back');
            foreach ($rows->cursor() as $row) {
                unset($row->customer_id, $row->name, $row->root_id);
                yield self::text($row);
            }
        }
    }

    /**
     * Own vouchers of the period, line by line.
     *
     * @return Generator<int, array<string, string>>
     */
    public function journals(Period $period, string $knownAt): Generator
    {
        $rows = DB::table('postings as p')
            ->join('accounts as a', 'a.id', '=', 'p.account_id')
            ->whereNotNull('p.voucher_id')
            ->whereBetween('p.date', [$period->first, $period->last])
            ->where('p.recorded_at', '<=', $knownAt)
            ->orderBy('p.id')
            ->select([
                'p.voucher_id as voucher', 'p.date', 'a.account', 'p.description', 'p.base', 'p.currency', 'p.currency_amount',
                'p.customer', 'p.document',
            ]);
        foreach ($rows->cursor() as $row) {
            yield self::text($row);
        }
    }

    /** @return list<array<string, string>> what needed a second person, and what that one said */
    public function approvals(string $knownAt): array
    {
        $rows = DB::table('approval_requests as q')
            ->leftJoin('approval_answers as a', static fn ($join) => $join
                ->on('a.request_id', '=', 'q.id')
                ->where('a.recorded_at', '<=', $knownAt))
            ->where('q.recorded_at', '<=', $knownAt)
            ->orderBy('q.id')
            ->get([
                'q.kind', 'q.title', 'q.total', 'q.why', 'q.who as asked_by', 'q.recorded_at as asked_at', 'a.answer', 'a.words',
                'a.who as answered_by', 'a.recorded_at as answered_at',
            ]);

        return array_values($rows->map(self::text(...))->all());
    }

    /** @return array<string, string> */
    private static function text(stdClass $row): array
    {
        return array_map(static fn (mixed $value): string => is_scalar($value) ? (string) $value : '', (array) $row);
    }
}
