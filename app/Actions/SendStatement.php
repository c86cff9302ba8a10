<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Models\Customer;
use App\Queries\Statements;
use App\StandIn\Outbox;

/** Sends a customer its statement; the outbox keeps when and what. */
final readonly class SendStatement
{
    public function __construct(private Statements $statements, private Outbox $outbox) {}

    /** @throws Refusal when there is nothing to tell, or the customer has no e-mail address */
    public function post(string $key, Account $account, int $customerId, string $from, string $to): void
    {
        Once::for($key, function () use ($account, $customerId, $from, $to): int {
            $customer = Customer::query()->whereKey($customerId)->firstOrFail();
            if ($customer->email === '') {
                throw new Refusal("{$customer->name} has no e-mail address in customers.csv. Print the statement, or hand in the address.");
            }
            $statements = $this->statements->of($account, $customerId, $from, $to);
            if ($statements === []) {
                throw new Refusal("Nothing happened with {$customer->name} through {$to}, and nothing is open. There is nothing to send.");
            }

            return $this->outbox->keep(
                $customer->email,
                "Statement of {$to}",
                "Dear {$customer->name},\n\nthe statement attached lists your account with us from {$from} to {$to} and what is open.\n",
                "customer {$customerId}",
                $this->statements->pdf($statements),
                "statement-{$customer->customer}-{$to}.pdf",
            );
        });
    }
}
