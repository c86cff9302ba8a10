<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Loose;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Support\Remembered;
use Generator;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/** Customers with loose receipts, credits, deposits and refunds. */
final readonly class Unapplied
{
    /** From so many changed customers on, all are worked out at once. */
    private const MANY = 300;

    public function __construct(private Settings $settings, private Positions $positions) {}

    /** @return list<LooseCustomer> those with a reason last, else the oldest first */
    public function customers(Account $account, string $asOf): array
    {
        $reasons = $this->reasons($asOf);
        $customers = [];
        foreach ($this->remembered($this->accounts($account), $asOf) as $id => $customer) {
            // A reason holds for what was loose when it was given; what came since asks anew.
            $reason = $reasons[$id] ?? null;
            $customers[] = $reason !== null && $reason->given >= $customer->newest ? $customer->because($reason) : $customer;
        }
        usort($customers, static fn (LooseCustomer $one, LooseCustomer $other): int => [$one->reason !== null, $one->oldest, $one->customer] <=> [$other->reason !== null, $other->oldest, $other->customer]);

        return $customers;
    }

    /**
     * What of a customer's items could take part in a match: those of the control account, and the deposits held.
     *
     * @return list<OpenItem>
     */
    public function items(Account $account, int $customerId, string $asOf): array
    {
        return array_merge(...array_map(fn (int $id): array => $this->positions->itemsToMatch($id, $customerId, $asOf), $this->accounts($account)));
    }

    /**
     * After a change only the customers that it concerns are worked out anew.
     *
     * @param non-empty-list<int> $accounts
     * @return array<int, LooseCustomer> by customer id
     */
    private function remembered(array $accounts, string $asOf): array
    {
        $key = Remembered::key('loose '.implode(',', $accounts)." {$asOf}");
        // Numbers are given while the books are held for writing, so that whatever is newer has a higher one.
        $now = [Remembered::books(), DB::table('match_reversals')->count(), (int) DB::table('items')->max('id'), (int) DB::table('matches')->max('id')];
        /** @var array{array{string, int, int, int}, array<int, LooseCustomer>}|null $kept */
        $kept = Cache::get($key);
        if ($kept !== null && $kept[0] === $now) {
            return $kept[1];
        }
        $changed = $kept === null || array_slice($kept[0], 0, 2) !== array_slice($now, 0, 2) ? null : self::changed($kept[0][2], $kept[0][3]);
        $customers = $kept === null || $changed === null ? [] : array_diff_key($kept[1], array_flip($changed));
        foreach ($this->workOut($accounts, $asOf, $changed) as $customer) {
            $customers[$customer->id] = $customer;
        }
        Cache::put($key, [$now, $customers], 86_400);

        return $customers;
    }

    /** @return ?list<int> customers with newer items or matches; null: many */
    private static function changed(int $item, int $match): ?array
    {
        $newer = DB::table('items')->where('id', '>', $item)->distinct()->limit(self::MANY + 1)->pluck('customer_id');
        $matched = DB::table('matches as m')->join('item_positions as p', 'p.item_id', '=', 'm.debit_item_id')->where('m.id', '>', $match)->distinct()->limit(self::MANY + 1)->pluck('p.customer_id');
        $changed = array_values(array_unique(array_map(intval(...), [...$newer->all(), ...$matched->all()])));

        return count($changed) > self::MANY ? null : $changed;
    }

    /**
     * @param non-empty-list<int> $accounts
     * @param ?list<int> $only null: all
     * @return Generator<int, LooseCustomer>
     */
    private function workOut(array $accounts, string $asOf, ?array $only): Generator
    {
        /** @var array<int, list<OpenSum>> $of */
        $of = [];
        foreach ($this->positions->sums($accounts, $asOf, $only) as $sum) {
            $of[$sum->customer_id][] = $sum;
        }
        foreach ($of as $id => $sums) {
            $loose = new Loose;
            $state = '';
            foreach ($sums as $sum) {
                $loose->add(Kind::from($sum->kind), Side::from($sum->side), $sum->currency, $sum->items, $sum->base, $sum->oldest, $sum->newest);
                $state .= "{$sum->control_account_id} {$sum->kind} {$sum->side} {$sum->currency} {$sum->items} {$sum->base} {$sum->state};";
            }
            if ($loose->items > 0) {
                yield new LooseCustomer($id, $sums[0]->customer, $sums[0]->name, $loose->items, $loose->credits, $loose->refunds, $loose->debits, $loose->matchable(), $loose->oldest, $loose->newest, $loose->words(), hash('xxh3', $state));
            }
        }
    }

    /** @return non-empty-list<int> the control account and those of deposits */
    private function accounts(Account $account): array
    {
        return [$account->id, ...array_values(array_diff(array_map(static fn (Account $of): int => $of->id, $this->settings->accounts()->allWithRole(AccountRole::CustomerDeposits)), [$account->id]))];
    }

    /** @return array<int, LooseReason> why it stays loose, by customer, where the day to look again has not come */
    private function reasons(string $asOf): array
    {
        $reasons = [];
        foreach (DB::table('loose_reasons')->orderBy('id')->get() as $row) {
            $reasons[(int) $row->customer_id] = new LooseReason($row->reason, $row->look_again, $row->who, $row->recorded_at);
        }

        return array_filter($reasons, static fn (LooseReason $reason): bool => $reason->lookAgain > $asOf);
    }
}
