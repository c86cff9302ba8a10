<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\Settles;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use Illuminate\Support\Facades\DB;

/** What loose credits could settle without anybody's judgement (R6). Worked out customer by customer, and kept for as long as the customer's open items stay as they are. */
final readonly class CertainMatches
{
    public function __construct(private Positions $positions, private Proposals $proposals) {}

    /**
     * Customers whose proposals are still to be worked out.
     *
     * @param list<LooseCustomer> $customers
     * @return list<LooseCustomer>
     */
    public function waiting(Account $account, string $asOf, array $customers): array
    {
        $known = DB::table('certain_matches')->where('account_id', $account->id)->pluck('state', 'customer_id');
        $of = $this->stateOf($asOf);

        return array_values(array_filter($customers, static fn (LooseCustomer $customer): bool => $customer->matchable > 0 && ($known[$customer->id] ?? '') !== $of.$customer->state));
    }

    /**
     * Works some of them out, for about so long.
     *
     * @param list<LooseCustomer> $waiting
     * @return int how many
     */
    public function workOut(Account $account, string $asOf, array $waiting, float $seconds = INF): int
    {
        $until = microtime(true) + $seconds;
        $of = $this->stateOf($asOf);
        $rows = [];
        foreach ($waiting as $customer) {
            $found = array_map(static fn (CertainMatch $match): array => [$match->creditId, $match->how->value, $match->settles], $this->of($this->positions->openItems($account->id, $customer->id, $asOf)));
            $rows[] = ['account_id' => $account->id, 'customer_id' => $customer->id, 'state' => $of.$customer->state, 'found' => json_encode($found, JSON_THROW_ON_ERROR)];
            if (microtime(true) > $until) {
                break;
            }
        }
        foreach (array_chunk($rows, 200) as $some) {
            DB::table('certain_matches')->upsert($some, ['account_id', 'customer_id'], ['state', 'found']);
        }

        return count($rows);
    }

    /**
     * Those that are worked out and still hold, by customer id.
     *
     * @param list<LooseCustomer> $customers
     * @return array<int, list<CertainMatch>>
     */
    public function known(Account $account, string $asOf, array $customers): array
    {
        $rows = DB::table('certain_matches')->where('account_id', $account->id)->get(['customer_id', 'state', 'found'])->keyBy('customer_id');
        $of = $this->stateOf($asOf);
        $known = [];
        foreach ($customers as $customer) {
            $row = $rows[$customer->id] ?? null;
            if ($customer->matchable > 0 && $row !== null && $row->state === $of.$customer->state) {
                /** @var list<array{int, string, list<int>}> $found */
                $found = json_decode((string) $row->found, true, 8, JSON_THROW_ON_ERROR);
                $known[$customer->id] = array_map(static fn (array $match): CertainMatch => new CertainMatch($match[0], Way::from($match[1]), $match[2]), $found);
            }
        }

        return $known;
    }

    /** Discounts and remainders are left to a person. */
    public static function isCertain(Proposal $proposal): bool
    {
        return $proposal->only && in_array($proposal->how, [Way::Quoted, Way::Exact], true) && ! $proposal->takesDiscount() && $proposal->difference === 0 && $proposal->unapplied === 0;
    }

    /**
     * @param list<OpenItem> $items of the customer
     * @return list<CertainMatch> each item in one only
     */
    private function of(array $items): array
    {
        $certain = $taken = [];
        foreach ($items as $credit) {
            if ($credit->side !== Side::Credit) {
                continue;
            }
            $proposal = $this->proposals->forItem($credit, $items);
            $settles = array_map(static fn (Settles $settles): int => $settles->item->id, $proposal->settles);
            if (self::isCertain($proposal) && array_intersect([$credit->id, ...$settles], $taken) === []) {
                array_push($taken, $credit->id, ...$settles);
                $certain[] = new CertainMatch($credit->id, $proposal->how, $settles);
            }
        }

        return $certain;
    }

    /** What else the proposals follow from, but the customer's own items. */
    private function stateOf(string $asOf): string
    {
        return implode(' ', [$asOf, (int) DB::table('settings')->max('id'), (int) DB::table('discount_decisions')->max('id'), '']);
    }
}
