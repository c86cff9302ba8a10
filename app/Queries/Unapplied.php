<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use Ajuste\Core\Subledger\UnappliedSides;
use Ajuste\Core\Subledger\UnappliedSums;
use App\Support\CustomerValues;
use Generator;
use Illuminate\Support\Facades\DB;

/**
 * Customers with unapplied receipts, credits, deposits and refunds.
 *
 * @phpstan-type Sums array{int, int, int, int, int, string, string, string}
 * @phpstan-type Kept array{string, string, string, Sums}
 */
final readonly class Unapplied
{
    public function __construct(private Settings $settings, private Positions $positions) {}

    /** @return list<UnappliedBrief> of all customers, those with a reason last, else the oldest first */
    public function briefs(Account $account, string $asOf): array
    {
        $values = $this->values($account, $asOf);
        $left = $this->left($values, $asOf);
        $briefs = [];
        foreach ($values->briefs() as $brief) {
            [$id, $state, $isMatchable] = explode(' ', $brief);
            $briefs[(int) $id] = new UnappliedBrief((int) $id, $state, $isMatchable === '1', isset($left[(int) $id]));
        }

        $last = array_map(static fn (int $id): UnappliedBrief => $briefs[$id], array_keys($left));

        return [...array_values(array_diff_key($briefs, $left)), ...$last];
    }

    /**
     * @param list<int> $ids
     * @return list<UnappliedCustomer> in the order of the ids
     */
    public function customers(Account $account, string $asOf, array $ids): array
    {
        $values = $this->values($account, $asOf);
        $left = $this->left($values, $asOf);
        $customers = [];
        foreach ($values->some($ids) as $id => $value) {
            $customers[] = $left[$id] ?? self::customer($id, $value);
        }

        return $customers;
    }

    /** @return list<UnappliedCustomer> those that a person left with a reason, the oldest first */
    public function leftWithReason(Account $account, string $asOf): array
    {
        return array_values($this->left($this->values($account, $asOf), $asOf));
    }

    public function totals(Account $account, string $asOf): UnappliedTotals
    {
        $values = $this->values($account, $asOf);
        $left = array_keys($this->left($values, $asOf));
        $parts = $values->summaries($left);
        $sums = array_map(static fn (array $part): UnappliedSums => new UnappliedSums(...$part[1]), $parts);

        return new UnappliedTotals(array_sum(array_column($parts, 0)), UnappliedSums::together($sums), count($left));
    }

    /** @return CustomerValues<Kept, array{int, Sums}> */
    private function values(Account $account, string $asOf): CustomerValues
    {
        $accounts = $this->accounts($account);
        $sums = static fn (array $value): UnappliedSums => new UnappliedSums(...$value[3]);

        return new CustomerValues(
            'unapplied '.implode(',', $accounts)." {$asOf}",
            ['accounts'],
            fn (?array $only): Generator => $this->workOut($accounts, $asOf, $only),
            static fn (array $values): array => [
                count($values),
                self::listed(UnappliedSums::together(array_map($sums, array_values($values)))),
            ],
            static fn (int $id, array $value): array => [
                "{$value[3][5]} {$value[0]}" => implode(' ', [$id, $value[2], (int) ($value[3][4] > 0)]),
            ],
        );
    }

    /**
     * A reason holds for what was unapplied when it was given; what came since asks anew.
     *
     * @param CustomerValues<Kept, array{int, Sums}> $values
     * @return array<int, UnappliedCustomer> by customer id, the oldest first
     */
    private function left(CustomerValues $values, string $asOf): array
    {
        $left = [];
        foreach ($this->reasons($asOf) as $id => $reason) {
            $value = $values->of($id);
            if ($value !== null && $reason->given >= $value[3][6]) {
                $left[$id] = self::customer($id, $value, $reason);
            }
        }
        uasort($left, static fn (UnappliedCustomer $one, UnappliedCustomer $other): int => [$one->sums->oldest, $one->customer] <=> [
            $other->sums->oldest, $other->customer,
        ]);

        return $left;
    }

    /** @param  Kept  $value */
    private static function customer(int $id, array $value, ?UnappliedReason $reason = null): UnappliedCustomer
    {
        return new UnappliedCustomer($id, $value[0], $value[1], new UnappliedSums(...$value[3]), $value[2], $reason);
    }

    /** @return Sums */
    private static function listed(UnappliedSums $of): array
    {
        return [$of->items, $of->credits, $of->refunds, $of->debits, $of->matchable, $of->oldest, $of->newest, $of->words];
    }

    /**
     * What of a customer's items could take part in a match: those of the control account, and the deposits held.
     *
     * @return list<OpenItem>
     */
    public function items(Account $account, int $customerId, string $asOf): array
    {
        return array_merge(
            ...array_map(fn (int $id): array => $this->positions->takeableOf($id, $customerId, $asOf), $this->accounts($account)),
        );
    }

    /**
     * @param non-empty-list<int> $accounts
     * @param ?list<int> $only null: all
     * @return Generator<int, Kept> by customer id
     */
    private function workOut(array $accounts, string $asOf, ?array $only): Generator
    {
        /** @var array<int, array{UnappliedSides, string, string}> $of */
        $of = [];
        foreach ($accounts as $account) {
            foreach ($only === [] ? [] : $this->positions->takeableRows($account, $asOf, $only) as $row) {
                $of[$row->customer_id] ??= [new UnappliedSides(), $row->customer, $row->name];
                $of[$row->customer_id][0]->add(
                    Kind::from($row->kind),
                    Side::from($row->side),
                    $row->currency,
                    $row->takeableBase(),
                    $row->date,
                    $row->recorded_at,
                );
            }
        }
        $states = $this->states($only);
        foreach ($of as $id => [$sides, $number, $name]) {
            $sums = $sides->sums();
            if ($sums->items > 0) {
                yield $id => [$number, $name, (string) ($states[$id] ?? 0), self::listed($sums)];
            }
        }
    }

    /**
     * @param ?list<int> $only
     * @return array<int, int> where each customer's counter stands
     */
    private function states(?array $only): array
    {
        return DB::table('customer_changes')
            ->when($only !== null, static fn ($query) => $query->whereIn('customer_id', $only ?? []))
            ->pluck('counter', 'customer_id')
            ->map(intval(...))
            ->all();
    }

    /** @return non-empty-list<int> the control account and those of deposits */
    private function accounts(Account $account): array
    {
        $deposits = array_column($this->settings->accounts()->allWithRole(AccountRole::CustomerDeposits), 'id');

        return [$account->id, ...array_values(array_diff($deposits, [$account->id]))];
    }

    /** @return array<int, UnappliedReason> why they stay unapplied, by customer, where the day to look again has not come */
    private function reasons(string $asOf): array
    {
        $reasons = [];
        foreach (DB::table('loose_reasons')->orderBy('id')->get() as $row) {
            $reasons[(int) $row->customer_id] = new UnappliedReason($row->reason, $row->look_again, $row->who, $row->recorded_at);
        }

        return array_filter($reasons, static fn (UnappliedReason $reason): bool => $reason->lookAgain > $asOf);
    }
}
