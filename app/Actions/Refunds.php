<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Exchange\Bank\BankDetails;
use Ajuste\Core\Exchange\Bank\Iban;
use Ajuste\Core\Exchange\Bank\Payment;
use Ajuste\Core\Exchange\Bank\PaymentOrder;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\ReceiptPosting;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use App\Actions\Receipts\Way;
use App\Models\Customer;
use App\Models\Settlement;
use App\Queries\DepositTaxes;
use App\Queries\Positions;
use App\Queries\Rates;
use App\Queries\RefundList;
use App\Queries\Settings;
use App\StandIn\Bank;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** Pays loose credits back: refund and credit close each other at once; a transfer is ordered from the bank, and its statement clears what is in transit (R2). */
final readonly class Refunds
{
    public function __construct(
        private Settings $settings, private Positions $positions, private Rates $rates, private DepositTaxes $taxes, private MatchItems $match, private RefundList $list, private Bank $bank, private Actor $actor, private AuditTrail $audit,
    ) {}

    /**
     * @param string $amount as typed, in the credit's currency, tax included; blank: all that is open
     * @return int the refund's item
     *
     * @throws Refusal when it is no loose credit, more than is open, or the bank details for a transfer are missing
     */
    public function post(string $key, int $creditId, string $amount, Way $way, string $date, string $reason): int
    {
        return (int) Once::for($key, function () use ($creditId, $amount, $way, $date, $reason): int {
            $credit = $this->positions->find($creditId);
            if ($credit->side !== Side::Credit || $credit->kind === Kind::ExchangeDifference) {
                throw new Refusal("{$credit->title()} is no credit of the customer; only a credit is paid back.");
            }
            $share = $this->taxes->shareOf($credit);
            $sum = trim($amount) === '' ? $share->openGross() : TypedAmount::read($amount, $credit->amount->currency);
            $net = $share->ofGross($sum);
            $customer = Customer::query()->findOrFail($credit->customerId);
            $day = $this->settings->locked()->firstOpenFrom(max($date, $credit->date));
            $base = $credit->moves($net);
            $record = new Recorder($this->actor);
            $control = $this->settings->accounts()->withId($credit->controlAccountId);
            [$item, $document, $voucher] = $this->pay($record, $customer, $control, $way, $day, $net, $base, $share->tax($net), $credit->document);
            $settlement = Settlement::query()->create(['customer_id' => $customer->id, 'date' => $day, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
            $rehearsal = $this->match->rehearse(new MatchRequest($customer->id, [$item => '', $creditId => $net->decimal()], $day));
            $this->match->store($record, $rehearsal->plan ?? throw new Refusal((string) $rehearsal->refusal), $settlement->id);
            $record->flush();
            $this->keep($record, $customer, $creditId, $item, $voucher, $settlement->id, $way, $sum, $reason);
            $this->audit->record('refund', "item {$item}", $reason, ['document' => $document, 'of' => $credit->document, 'amount' => $sum->decimal(), 'way' => $way->value]);

            return $item;
        });
    }

    /**
     * Paid before its credit note exists: the refund stays open as a debit and is matched with the credit later.
     *
     * @param string $amount as typed, in the currency
     * @return int the refund's item
     *
     * @throws Refusal when no amount is typed, or the bank details for a transfer are missing
     */
    public function ahead(string $key, int $customerId, string $amount, string $currency, Way $way, string $date, string $reason): int
    {
        return (int) Once::for($key, function () use ($customerId, $amount, $currency, $way, $date, $reason): int {
            $customer = Customer::query()->findOrFail($customerId);
            $sum = TypedAmount::read($amount, Currency::of($currency));
            if ($sum->minor <= 0) {
                throw new Refusal('Type how much is paid back; an amount above zero is expected.');
            }
            $day = $this->settings->locked()->firstOpenFrom($date);
            $base = $this->rates->toBase($sum, $day);
            $control = $customer->control_account_id !== null ? $this->settings->accounts()->withId($customer->control_account_id) : $this->settings->controlAccount();
            $record = new Recorder($this->actor);
            [$item, $document, $voucher] = $this->pay($record, $customer, $control, $way, $day, $sum, $base, Money::zero($base->currency), '');
            $record->flush();
            $this->keep($record, $customer, null, $item, $voucher, null, $way, $sum, $reason);
            $this->audit->record('refund before its credit', "item {$item}", $reason, ['document' => $document, 'customer' => $customer->customer, 'amount' => $sum->decimal(), 'way' => $way->value]);

            return $item;
        });
    }

    /**
     * The reviewer looked at an account number that is new.
     *
     * @throws Refusal when nothing is to be approved
     */
    public function approve(string $key, int $refundId): void
    {
        Once::for($key, function () use ($refundId): int {
            $refund = DB::table('refunds')->where('id', $refundId)->first() ?? throw new Refusal('There is no such refund. Load the page again.');
            if ($refund->iban_changed_at === '' || DB::table('refunds_approved')->where('refund_id', $refundId)->exists()) {
                throw new Refusal('This refund needs no approval.');
            }
            DB::table('refunds_approved')->insert(['refund_id' => $refundId, 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
            $this->audit->record('approve refund', "item {$refund->item_id}", '', ['iban' => $refund->iban]);

            return $refundId;
        });
    }

    /**
     * The voucher and the item of a refund.
     *
     * @param Money $net what the item carries, in its currency
     * @param Money $base likewise in base currency
     * @param Money $tax of a deposit that goes back along, base currency
     * @return array{int, string, int} item, document, voucher
     */
    private function pay(Recorder $record, Customer $customer, Account $control, Way $way, string $day, Money $net, Money $base, Money $tax, string $of): array
    {
        if ($way === Way::Transfer && ! Iban::isValid($customer->iban)) {
            throw new Refusal($customer->iban === '' ? "{$customer->name} has no account number in customers.csv. Hand it in, or pay by cheque." : "The account number {$customer->iban} of {$customer->name} does not hold (ISO 13616). Have it corrected, or pay by cheque.");
        }
        $accounts = $this->settings->accounts();
        $document = sprintf('RF-%05d', 1 + (int) DB::table('refunds')->max('id'));
        $posted = $record->voucher((new ReceiptPosting($accounts))->refund($day, $control, $accounts->withRole($way === Way::Cash ? AccountRole::Till : AccountRole::PaymentsInTransit), $base, $tax, $net, $document, $of, $customer->customer));
        $item = $record->item(
            document: $document, kind: Kind::Refund, customerId: $customer->id, occurrence: 1, side: Side::Debit, date: $day, dueDate: $day, currency: $net->currency->code, amount: $net->minor, base: $base->minor,
            controlAccountId: $control->id, reference: $of, entry: $posted->number, voucherId: $posted->id,
        );

        return [$item, $document, $posted->id];
    }

    private function keep(Recorder $record, Customer $customer, ?int $creditId, int $item, int $voucherId, ?int $settlementId, Way $way, Money $paid, string $reason): void
    {
        $changed = $way === Way::Transfer ? $this->list->ibanChangedAt($customer->id) : '';
        DB::table('refunds')->insert([
            'credit_item_id' => $creditId, 'item_id' => $item, 'voucher_id' => $voucherId, 'settlement_id' => $settlementId, 'way' => $way->value, 'paid' => $paid->minor, 'payee' => $customer->name, 'iban' => $way === Way::Transfer ? Iban::plain($customer->iban) : '',
            'iban_changed_at' => BankDetails::areNew(substr($changed, 0, 10), substr($record->recordedAt, 0, 10)) ? $changed : '', 'reason' => Reason::of($reason, 'Say why it is paid back; the voucher names it.'), 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt,
        ]);
    }

    /**
     * Asks the bank for all transfers that were not ordered yet, and notes its answer.
     *
     * @return int the order
     *
     * @throws Refusal when there is none
     */
    public function order(string $key, string $day): int
    {
        return (int) Once::for($key, function () use ($day): int {
            $refunds = $this->list->toOrder();
            if ($refunds === []) {
                throw new Refusal('No transfer waits to be ordered.');
            }
            $message = 'AJ-'.str_replace('-', '', $day).'-'.(1 + (int) DB::table('payment_orders')->max('id'));
            $payments = array_map(static fn (object $refund): Payment => new Payment($refund->document, Money::ofMinor($refund->paid, $refund->currency), $refund->payee, $refund->iban, trim("Refund {$refund->document}".($refund->credit === null ? '' : " of {$refund->credit}"))), $refunds);
            $account = (string) DB::table('bank_statements')->orderByDesc('id')->value('bank_account');
            $file = PaymentOrder::written($message, $day, $this->settings->text(Setting::BooksName) ?: 'Receivables', $account !== '' ? $account : 'NOTPROVIDED', $payments);
            $answer = $this->bank->answer($file);
            $id = DB::table('payment_orders')->insertGetId(['message' => $message, 'file' => $file, 'answer' => $answer, 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
            $said = PaymentOrder::answered($answer);
            foreach ($refunds as $refund) {
                [$accepted, $why] = $said[$refund->document] ?? [false, 'the bank did not answer'];
                DB::table('refunds_ordered')->insert(['refund_id' => $refund->id, 'order_id' => $id, 'status' => $accepted ? 'accepted' : 'rejected', 'why' => $why]);
            }
            $this->audit->record('order payments', "payment order {$id}", '', ['message' => $message, 'transfers' => (string) count($refunds)]);

            return $id;
        });
    }

    /** A payment order as it was sent, or the bank's answer. */
    public static function document(int $orderId, bool $answer): string
    {
        return (string) DB::table('payment_orders')->where('id', $orderId)->value($answer ? 'answer' : 'file');
    }
}
