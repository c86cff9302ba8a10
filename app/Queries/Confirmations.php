<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Samples of customers who are asked to confirm their balance, with what they answered. */
final readonly class Confirmations
{
    public function __construct(private Reports $reports, private Settings $settings) {}

    /** @return array<int, Money> balance in base currency by customer id, in the order of the customers' numbers; without those of nil */
    public function balances(Account $account, string $asOf): array
    {
        $sums = [];
        foreach ($this->reports->aged($account, $asOf)->rows as $row) {
            $sums[$row->customer] = ($sums[$row->customer] ?? 0) + $row->total;
        }
        $balances = [];
        foreach (DB::table('customers')->orderBy('customer')->get(['id', 'customer']) as $row) {
            if (($sums[$row->customer] ?? 0) !== 0) {
                $balances[(int) $row->id] = Money::ofMinor($sums[$row->customer], $this->settings->base());
            }
        }

        return $balances;
    }

    /** @return list<stdClass> the samples, the latest first */
    public function samples(): array
    {
        return array_values(DB::table('confirmations')->orderByDesc('id')->limit(50)->get()->all());
    }

    public function sample(int $id): ?stdClass
    {
        return DB::table('confirmations')->where('id', $id)->first();
    }

    /** @return list<stdClass> id, customer_id, customer, name, email, balance, sent_at, and the last answer: agrees, difference, words */
    public function letters(int $sampleId): array
    {
        $last = DB::table('confirmation_answers')->groupBy('letter_id')->selectRaw('max(id)');

        return array_values(DB::table('confirmation_letters as l')
            ->join('customers as c', 'c.id', '=', 'l.customer_id')
            ->leftJoin('confirmation_answers as a', static fn ($join) => $join->on('a.letter_id', '=', 'l.id')->whereIn('a.id', $last))
            ->leftJoin('outbox as o', static fn ($join) => $join->on('o.about', '=', DB::raw("'confirmation ' || l.id")))
            ->where('l.confirmation_id', $sampleId)
            ->orderBy('c.customer')
            ->get([
                'l.id', 'l.customer_id', 'c.customer', 'c.name', 'c.email', 'l.balance', 'o.recorded_at as sent_at', 'a.agrees',
                'a.difference', 'a.words', 'a.who',
            ])
            ->all());
    }
}
