<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Models\Customer;
use App\Queries\StatementRun;
use App\Queries\Statements;
use App\Queries\StatementTo;
use App\StandIn\Outbox;

/** Sends a customer its statement; the outbox keeps when and what. */
final readonly class SendStatement
{
    public function __construct(private Statements $statements, private Outbox $outbox) {}

    /**
     * Sends those that wait, one after the other, for a while: whoever comes back sends the rest, and nobody gets it twice.
     *
     * @param list<StatementTo> $to
     * @param float $seconds after which it stops
     */
    public function several(Account $account, array $to, string $from, string $day, float $seconds): void
    {
        $end = hrtime(true) + (int) ($seconds * 1e9);
        foreach (array_filter($to, static fn (StatementTo $of): bool => $of->waits()) as $of) {
            $this->post("statement {$of->customerId} {$day}", $account, $of->customerId, $from, $day);
            if (hrtime(true) > $end) {
                return;
            }
        }
    }

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
                StatementRun::subject($to),
                "Dear {$customer->name},\n\nthe statement attached lists your account with us from {$from} to {$to} and what is open.\n",
                "customer {$customerId}",
                $this->statements->pdf($statements),
                "statement-{$customer->customer}-{$to}.pdf",
            );
        });
    }
}
