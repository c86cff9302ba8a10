<?php

declare(strict_types=1);

namespace App\Queries;

use Generator;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The rows of a close pack: what was known at the lock of everything dated through the period's last day, in an order of its own. */
final readonly class PackRows
{
    public function __construct(private AgedItems $aged) {}

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

    /** @return array<string, string> */
    private static function text(stdClass $row): array
    {
        return array_map(static fn (mixed $value): string => is_scalar($value) ? (string) $value : '', (array) $row);
    }
}
