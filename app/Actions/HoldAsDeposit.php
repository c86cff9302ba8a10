<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\HeldAsDeposit;
use App\Actions\Posting\PostPlan;
use App\Queries\Customers;
use App\Queries\Positions;
use App\Queries\Settings;

/** Holds what is unapplied of a receipt as a deposit: an advance is not revalued (R9). */
final readonly class HoldAsDeposit
{
    public function __construct(
        private Settings $settings,
        private Positions $positions,
        private Customers $customers,
        private PostPlan $posting,
    ) {}

    /**
     * As of the receipt's own day, or the first open one since which all of it is free.
     *
     * @param string $taxRate percent of the tax that is due on payment; blank: none
     * @return int the settlement
     *
     * @throws Refusal when it is no receipt with an unapplied part, or the rate is none
     */
    public function post(string $key, int $receiptId, string $taxRate = ''): int
    {
        return $this->posting->post($key, function () use ($receiptId, $taxRate): PostingPlan {
            $receipt = $this->positions->find($receiptId);
            $accounts = $this->settings->accounts();
            $date = $this->settings->locked()->firstOpenFrom(max($receipt->date, $receipt->position->freeFrom));

            return (new HeldAsDeposit($accounts, $this->settings->locked()))->plan(
                $receipt,
                $accounts->withId($receipt->head->account->controlAccountId),
                $this->customers->find($receipt->head->account->customerId),
                $date,
                $taxRate,
            );
        });
    }
}
