<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Payee;
use Ajuste\Core\Settlement\Refund;
use Ajuste\Core\Settlement\RefundPlan;
use Ajuste\Core\Settlement\Worth;
use App\Actions\Posting\PostPlan;
use App\Models\Customer as CustomerModel;
use App\Queries\Customers;
use App\Queries\DepositShares;
use App\Queries\NumberSeries;
use App\Queries\Positions;
use App\Queries\Rates;
use App\Queries\RefundList;
use App\Queries\Settings;
use App\Support\Moment;
use App\Values\RefundRequest;
use Illuminate\Support\Facades\DB;

/** Pays unapplied credits back: refund and credit close each other at once, or the refund waits for its credit note (R2). */
final readonly class PayBack
{
    public function __construct(
        private Settings $settings,
        private NumberSeries $series,
        private Positions $positions,
        private Customers $customers,
        private DepositShares $shares,
        private Rates $rates,
        private RefundList $refunds,
        private PostPlan $posting,
    ) {}

    /**
     * @param ?Money $sum in the credit's currency, the tax of a deposit included; null: all that is open
     * @return int the refund's item
     *
     * @throws Refusal when it is no unapplied credit, more than is open, or the bank details for a transfer are missing
     */
    public function credit(string $key, int $creditId, ?Money $sum, RefundRequest $request): int
    {
        return $this->posting->post($key, function () use ($creditId, $sum, $request): PostingPlan {
            $credit = $this->positions->find($creditId);
            $share = $this->shares->of($credit);
            $control = $this->settings->accounts()->withId($credit->head->account->controlAccountId);
            $day = max($request->date, $credit->date, $credit->position->freeFrom);
            $refund = $this->refund($credit->head->account->customerId, $control, $day, $request);

            return $this->rule()->of($refund, $credit, $share, $sum ?? $share->openGross());
        });
    }

    /**
     * Paid before its credit note exists.
     *
     * @return int the refund's item
     *
     * @throws Refusal when nothing is paid, or the bank details for a transfer are missing
     */
    public function ahead(string $key, int $customerId, Money $sum, RefundRequest $request): int
    {
        return $this->posting->post($key, function () use ($customerId, $sum, $request): PostingPlan {
            $refund = $this->refund($customerId, $this->settings->controlAccountOf($customerId), $request->date, $request);

            return $this->rule()->ahead($refund, new Worth($this->rates->toBase($sum, $refund->date), $sum));
        });
    }

    private function refund(int $customerId, Account $control, string $day, RefundRequest $request): Refund
    {
        $customer = $this->customers->find($customerId);
        $iban = (string) CustomerModel::query()->findOrFail($customerId)->iban;
        $payee = Payee::of($request->way, $customer->name, $iban, $this->refunds->ibanChangedAt($customerId), substr(Moment::now(), 0, 10));
        $document = $this->series->number(Setting::SeriesRefunds, $day, 1 + (int) DB::table('refunds')->max('id'));

        return new Refund(
            $customer,
            $control,
            $document,
            $request->way,
            $payee,
            $this->settings->locked()->firstOpenFrom($day),
            $request->reason,
        );
    }

    private function rule(): RefundPlan
    {
        return new RefundPlan($this->settings->accounts(), $this->settings->locked());
    }
}
