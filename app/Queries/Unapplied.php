<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Subledger\Loose;

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
        $customers = [];
        foreach ($found as $id => $loose) {
            if ($loose->items > 0) {
                $customers[] = new LooseCustomer(
                    $id, $about[$id][0], $about[$id][1], $loose->items, $loose->credits, $loose->debits, $loose->matchable(), $loose->oldest,
                    implode(', ', array_keys($loose->kinds)),
                );
            }
        }
        usort($customers, static fn (LooseCustomer $one, LooseCustomer $other): int => [$other->matchable, $one->oldest, $one->customer] <=> [$one->matchable, $other->oldest, $other->customer]);

        return $customers;
    }
}
