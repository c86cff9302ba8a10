<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Movement\Movement;
use Ajuste\Core\Movement\MovementLine;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Kind;
use Illuminate\Support\Facades\DB;

/** How a control account and its customers came from one balance to the next. */
final readonly class Movements
{
    public function __construct(private Settings $settings, private Reports $reports) {}

    /**
     * @param string $from first day
     * @param string $to last day
     *
     * @throws Refusal when it ends before it begins
     */
    public function of(Account $account, string $from, string $to, ?string $knownAt = null): Movement
    {
        if ($from > $to) {
            throw new Refusal("A movement from {$from} to {$to} ends before it begins. Choose an earlier first day.");
        }

        return Movement::between(
            $from,
            $this->reports->proof($account, Day::plus($from, -1), $knownAt),
            $this->reports->proof($account, $to, $knownAt),
            self::moved($account, $from, $to, $knownAt),
            self::takenBack($account),
            $this->settings->base(),
        );
    }

    /** @return array<string, int> minor units of base currency by line */
    private static function moved(Account $account, string $from, string $to, ?string $knownAt): array
    {
        $rows = DB::table('items as i')
            ->leftJoin('item_reversals as r', 'r.by_item_id', '=', 'i.root_id')
            ->leftJoin('items as o', 'o.id', '=', 'r.item_id')
            ->where('i.control_account_id', $account->id)
            ->whereBetween('i.date', [$from, $to])
            ->when(
                $knownAt === null,
                static fn ($query) => $query->whereNull('i.superseded_at'),
                static fn ($query) => $query
                    ->where('i.recorded_at', '<=', $knownAt)
                    ->where(static fn ($of) => $of->whereNull('i.superseded_at')->orWhere('i.superseded_at', '>', $knownAt)),
            )
            ->groupByRaw('coalesce(o.kind, i.kind)')
            ->selectRaw("coalesce(o.kind, i.kind) AS kind, sum(CASE i.side WHEN 'debit' THEN i.base ELSE -i.base END) AS base")
            ->get();
        $moved = [];
        foreach ($rows as $row) {
            $line = MovementLine::of(Kind::from($row->kind))->value;
            $moved[$line] = ($moved[$line] ?? 0) + (int) $row->base;
        }

        return $moved;
    }

    /** @return array<int, Kind> */
    private static function takenBack(Account $account): array
    {
        $kinds = DB::table('item_reversals as r')
            ->join('items as o', 'o.id', '=', 'r.item_id')
            ->where('o.control_account_id', $account->id)
            ->pluck('o.kind', 'r.by_item_id');

        return $kinds->map(static fn (string $kind): Kind => Kind::from($kind))->all();
    }
}
