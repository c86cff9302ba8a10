<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Subledger\Loose;
use Illuminate\Support\Facades\DB;

/** Customers with loose receipts and credits. */
final readonly class Unapplied
{
    public function __construct(private Positions $positions) {}

    /** @return list<LooseCustomer> those of whom most can be matched first */
    public function customers(Account $account, string $asOf): array
    {
        $found = $about = [];
        foreach ($this->positions->forMatching($account->id, $asOf) as $customerId => [$customer, $name, $item, $base]) {
            $found[$customerId] ??= new Loose;
            $found[$customerId]->add($item->kind, $item->side, $item->date, $item->amount->currency->code, $base);
            $about[$customerId] = [$customer, $name];
        }
        $reasons = $this->reasons($asOf);
        $customers = [];
        foreach ($found as $id => $loose) {
            if ($loose->items > 0) {
                $customers[] = new LooseCustomer(
                    $id, $about[$id][0], $about[$id][1], $loose->items, $loose->credits, $loose->debits, $loose->matchable(), $loose->oldest,
                    $loose->words(), $reasons[$id] ?? null,
                );
            }
        }
        usort($customers, static fn (LooseCustomer $one, LooseCustomer $other): int => [$one->reason !== null, $other->matchable, $one->oldest, $one->customer] <=> [$other->reason !== null, $one->matchable, $other->oldest, $other->customer]);

        return $customers;
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
