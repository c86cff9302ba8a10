<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

use Ajuste\Core\Refusal;

/** The accounts that the rules post to, found by their role. */
final readonly class ChartOfAccounts
{
    /** @param  list<Account>  $accounts in the order of their numbers */
    public function __construct(private array $accounts) {}

    /**
     * The first account with the role.
     *
     * @throws Refusal when no account has it
     */
    public function withRole(AccountRole $role): Account
    {
        foreach ($this->accounts as $account) {
            if ($account->role === $role) {
                return $account;
            }
        }

        throw new Refusal(
            "No account has the role {$role->value}. Give it to an account in accounts.csv and import that file, then try again.",
        );
    }

    /** @return list<Account> */
    public function allWithRole(AccountRole $role): array
    {
        return array_values(array_filter($this->accounts, static fn (Account $account): bool => $account->role === $role));
    }

    /** @return list<Account> those in which what goes in has to come out again, by role and then by number */
    public function thatMustClear(): array
    {
        return array_merge(...array_map($this->allWithRole(...), [
            AccountRole::MustClear, AccountRole::ReceiptsInTransit, AccountRole::PaymentsInTransit,
        ]));
    }

    /** @throws Refusal when no account has the number */
    public function numbered(string $number): Account
    {
        foreach ($this->accounts as $account) {
            if ($account->number === $number) {
                return $account;
            }
        }

        throw new Refusal("There is no account {$number} in these books.");
    }

    /** @throws Refusal when no account has the id */
    public function withId(int $id): Account
    {
        foreach ($this->accounts as $account) {
            if ($account->id === $id) {
                return $account;
            }
        }

        throw new Refusal("There is no account with the key {$id} in these books.");
    }

    /** @return list<Account> */
    public function all(): array
    {
        return $this->accounts;
    }

    /** @return list<Account> those that carry customers' items */
    public function carryingCustomers(): array
    {
        return array_values(
            array_filter($this->accounts, static fn (Account $account): bool => $account->role?->carriesCustomers() ?? false),
        );
    }
}
