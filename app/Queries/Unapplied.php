<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Loose;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use Illuminate\Support\Facades\DB;

/** Customers with loose receipts, credits, deposits and refunds. */
final readonly class Unapplied
{
    public function __construct(private Settings $settings, private Positions $positions) {}

    /** @return list<LooseCustomer> those with a reason last, else the oldest first */
    public function customers(Account $account, string $asOf): array
    {
        /** @var array<int, array{Loose, string, string, string}> $found */
        $found = [];
        foreach ($this->positions->sums($this->accounts($account), $asOf) as $sum) {
            $found[$sum->customer_id] ??= [new Loose, $sum->customer, $sum->name, ''];
            $found[$sum->customer_id][0]->add(Kind::from($sum->kind), Side::from($sum->side), $sum->currency, $sum->items, $sum->base, $sum->oldest);
            $found[$sum->customer_id][3] .= "{$sum->control_account_id} {$sum->kind} {$sum->side} {$sum->currency} {$sum->items} {$sum->base} {$sum->state};";
        }
        $reasons = $this->reasons($asOf);
        $customers = [];
        foreach ($found as $id => [$loose, $customer, $name, $state]) {
            if ($loose->items > 0) {
                $customers[] = new LooseCustomer(
                    $id, $customer, $name, $loose->items, $loose->credits, $loose->refunds, $loose->debits, $loose->matchable(), $loose->oldest, $loose->words(), hash('xxh3', $state), $reasons[$id] ?? null,
                );
            }
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
        return array_merge(...array_map(fn (int $id): array => $this->positions->openItems($id, $customerId, $asOf), $this->accounts($account)));
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
            $reasons[(int) $row->customer_id] = new LooseReason($row->reason, $row->look_again, $row->who);
        }

        return array_filter($reasons, static fn (LooseReason $reason): bool => $reason->lookAgain > $asOf);
    }
}
