<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Models\Customer;
use App\Queries\Settings;
use App\Queries\StatementRun;
use App\Queries\Statements;
use App\Queries\StatementTo;
use App\StandIn\Outbox;
use App\Support\LongWork;
use App\Values\StatementFilter;
use App\Values\WorkState;

/** Sends a customer its statement; the outbox keeps when and what. */
final readonly class SendStatement
{
    public function __construct(
        private Statements $statements,
        private StatementRun $run,
        private Settings $settings,
        private Outbox $outbox,
    ) {}

    /** Sends those that wait, one after the other. Begun again it goes on where it was: nobody gets the same day's twice. */
    public function all(LongWork $work): void
    {
        $of = $work->content();
        $account = $this->settings->controlAccount($of['account']);
        $fit = $this->run->of($account, $of['to'], StatementFilter::of($of, $this->settings->base()));
        $to = array_filter($fit, static fn (StatementTo $one): bool => $one->waits());
        $sent = 0;
        foreach ($to as $one) {
            $work->at($sent, count($to));
            $this->post("statement {$one->customerId} {$of['to']}", $account, $one->customerId, $of['from'], $of['to']);
            $sent++;
        }
        $work->end(WorkState::Done, $sent === 1 ? 'One statement was sent.' : "{$sent} statements were sent.", $of['page']);
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
