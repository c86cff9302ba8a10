<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\BadDebt\BadDebts;
use Ajuste\Core\BadDebt\Ground;
use Ajuste\Core\BadDebt\LostDebt;
use Ajuste\Core\BadDebt\WriteOffRequest;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Run\Approval;
use App\Actions\Approvals\Approvable;
use App\Actions\Approvals\Requests;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Queries\Customers;
use App\Queries\LostDebts;
use App\Queries\Settings;
use App\Values\ApprovalAsked;
use App\Values\ApprovalKind;
use App\Values\LossRequest;
use App\Values\PostedOrAsked;
use Illuminate\Support\Facades\DB;

/** Writes debts off that will never be paid, or asks a second person to (R13); and writes back what comes in after all. */
final readonly class WriteOffDebts implements Approvable
{
    public function __construct(
        private Settings $settings,
        private Customers $customers,
        private LostDebts $debts,
        private PostPlan $posting,
        private Requests $requests,
    ) {}

    /** @throws Refusal */
    public function rehearse(LossRequest $request): PostingPlan
    {
        return $this->rule($request->customerId)->writeOff(
            $this->customers->find($request->customerId),
            $this->debts->of($request->amounts, $request->why->date),
            $request->why,
            $this->debts->unused($request->customerId)->ofCustomer(),
        );
    }

    /** Why a second person approves it first, or blank. */
    public function needsApproval(LossRequest $request): string
    {
        $limit = $this->settings->on($request->why->date)->moneyOrNone(Setting::ApprovalLimit);

        return Approval::above([$this->total($request)], $limit, 'it');
    }

    /**
     * Writes off, or asks a second person where that is large (R13).
     *
     * @throws Refusal when it has changed since it was seen, or cannot be posted
     */
    public function post(string $key, LossRequest $request, string $seen): PostedOrAsked
    {
        return $this->requests->postOrAsk($key, fn (): ApprovalAsked => $this->asked($request), $seen);
    }

    private function asked(LossRequest $request): ApprovalAsked
    {
        Reason::of($request->why->evidence, 'Say what proves that it will never be paid.');
        $customer = $this->customers->find($request->customerId);

        return new ApprovalAsked(
            ApprovalKind::Irrecoverable,
            "customer {$customer->id}",
            [
                'customer' => $request->customerId,
                'amounts' => array_map(
                    static fn (?Money $amount): ?array => $amount === null ? null : [$amount->minor, $amount->currency->code],
                    $request->amounts,
                ),
                'date' => $request->why->date,
                'ground' => $request->why->ground->value,
                'evidence' => $request->why->evidence,
                'tax_on' => $request->why->taxOn,
            ],
            "write off what {$customer->name} will never pay, {$request->why->ground->words()}: {$request->why->evidence}",
            $this->total($request),
            $this->needsApproval($request),
        );
    }

    public function planOf(array $payload): PostingPlan
    {
        /**
         * @var array{
         *     customer: int, amounts: array<int, ?array{int, string}>, date: string, ground: string, evidence: string, tax_on: ?string
         * } $payload
         */
        $amounts = array_map(static fn (?array $of): ?Money => $of === null ? null : Money::ofMinor(...$of), $payload['amounts']);
        $why = new WriteOffRequest($payload['date'], Ground::from($payload['ground']), $payload['evidence'], $payload['tax_on']);

        return $this->rehearse(new LossRequest($payload['customer'], $amounts, $why));
    }

    /**
     * @param ?Money $amount what comes in after all; null: all that was written off
     * @return int the write-back
     *
     * @throws Refusal when it is more than was written off, or the day is locked
     */
    public function recover(string $key, int $writeOffId, ?Money $amount, string $date): int
    {
        return $this->posting->post($key, function () use ($writeOffId, $amount, $date): PostingPlan {
            $recovery = $this->debts->recovery($writeOffId, $amount);
            $customer = (int) DB::table('items')->where('id', $writeOffId)->value('customer_id');

            return $this->rule($customer)->recover($this->customers->find($customer), $recovery, $date);
        });
    }

    private function total(LossRequest $request): Money
    {
        $base = array_map(
            static fn (LostDebt $debt): Money => $debt->item->moves($debt->amount),
            $this->debts->of($request->amounts, $request->why->date),
        );

        return Money::sum($base, $this->settings->base());
    }

    private function rule(int $customerId): BadDebts
    {
        return new BadDebts($this->settings->accounts(), $this->settings->locked(), $this->settings->controlAccountOf($customerId));
    }
}
