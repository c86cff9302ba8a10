<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Exchange\Bank\OrderAnswer;
use Ajuste\Core\Exchange\Bank\Payment;
use Ajuste\Core\Exchange\Bank\PaymentOrder;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use App\Actions\Approvals\SecondPerson;
use App\Actions\Posting\Once;
use App\Queries\MoneyAccounts;
use App\Queries\RefundList;
use App\Queries\Settings;
use App\StandIn\Bank;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Transfers that wait: approved by a second person (R13), then ordered from the bank. */
final readonly class OrderPayments
{
    public function __construct(
        private Settings $settings,
        private RefundList $refunds,
        private MoneyAccounts $accounts,
        private Bank $bank,
        private SecondPerson $second,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /**
     * A second person looked at the transfer and its account number.
     *
     * @throws Refusal when nothing is to be approved, or it is not another reviewer than the one who paid back
     */
    public function approve(string $key, int $refundId): void
    {
        Once::for($key, function () use ($refundId): int {
            $refund =
                DB::table('refunds')->where('id', $refundId)->first() ??
                throw Refusal::notFound('There is no such refund. Load the page again.');
            if ($refund->way !== 'transfer' || DB::table('refunds_approved')->where('refund_id', $refundId)->exists()) {
                throw Refusal::done('This refund needs no approval.');
            }
            $by = $this->second->approving($refund->who, '');
            DB::table('refunds_approved')->insert(['refund_id' => $refundId, 'who' => $by, 'recorded_at' => Moment::now()]);
            $this->audit->record('approve refund', "item {$refund->item_id}", '', ['iban' => $refund->iban]);

            return $refundId;
        });
    }

    /**
     * Asks the bank for all transfers that were not ordered yet, with an order for each currency from the account that the books name for
     * it, and notes its answers.
     *
     * @return list<int> the orders
     *
     * @throws Refusal when there is none, or no account is named for a currency
     */
    public function order(string $key, string $day): array
    {
        $orders = Once::for($key, function () use ($day): string {
            $byCurrency = [];
            foreach ($this->refunds->toOrder() as $refund) {
                $byCurrency[$refund->currency][] = $refund;
            }
            if ($byCurrency === []) {
                throw new Refusal('No transfer waits to be ordered.');
            }
            $accounts = [];
            foreach (array_keys($byCurrency) as $currency) {
                $accounts[$currency] = $this->accounts->own(Currency::of($currency))->number;
            }
            $orders = [];
            foreach ($byCurrency as $currency => $refunds) {
                $orders[] = $this->orderFrom($accounts[$currency], $refunds, $day);
            }

            return implode(',', $orders);
        });

        return array_map(intval(...), explode(',', (string) $orders));
    }

    /** @param  non-empty-list<stdClass>  $refunds in one currency */
    private function orderFrom(string $account, array $refunds, string $day): int
    {
        $message = 'AJ-'.str_replace('-', '', $day).'-'.(1 + (int) DB::table('payment_orders')->max('id'));
        $name = $this->settings->booksName() ?: 'Receivables';
        $file = PaymentOrder::written($message, $day, $name, $account, array_map(self::payment(...), $refunds));
        $answer = $this->bank->answer($file);
        $id = DB::table('payment_orders')->insertGetId([
            'message' => $message,
            'file' => $file,
            'answer' => $answer,
            'who' => $this->actor->who,
            'recorded_at' => Moment::now(),
        ]);
        $said = OrderAnswer::read($answer);
        foreach ($refunds as $refund) {
            [$accepted, $why] = $said[$refund->document] ?? [false, 'the bank did not answer'];
            DB::table('refunds_ordered')->insert([
                'refund_id' => $refund->id,
                'order_id' => $id,
                'status' => $accepted ? 'accepted' : 'rejected',
                'why' => $why,
            ]);
        }
        $this->audit->record('order payments', "payment order {$id}", '', [
            'message' => $message,
            'transfers' => (string) count($refunds),
        ]);

        return $id;
    }

    private static function payment(stdClass $refund): Payment
    {
        $text = trim("Refund {$refund->document}".($refund->credit === null ? '' : " of {$refund->credit}"));

        return new Payment($refund->document, Money::ofMinor($refund->paid, $refund->currency), $refund->payee, $refund->iban, $text);
    }
}
