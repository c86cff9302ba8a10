<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\ReceiptPosting;
use Ajuste\Core\Subledger\CarryingAmount;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use App\Actions\MatchItems;
use App\Actions\MatchRequest;
use App\Actions\Once;
use App\Actions\Recorder;
use App\Models\Settlement;
use App\Queries\DepositTaxes;
use App\Queries\Positions;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use Illuminate\Support\Facades\DB;

/**
 * A deposit settles the invoice that it was paid for: customer deposits, and the tax that was booked on it, against the receivables control (R2). Afterwards the
 * deposits account carries nothing of it. It is matched at its own rate (IFRIC 22); the exchange difference is realised by the match.
 */
final readonly class MatchDeposit
{
    public function __construct(private Settings $settings, private Positions $positions, private DepositTaxes $taxes, private MatchItems $match, private Actor $actor, private AuditTrail $audit) {}

    /**
     * @param string $amount of the deposit, as typed, tax left out; blank: as much as both have open
     * @return int the settlement
     *
     * @throws Refusal when they do not belong together, or the day is locked
     */
    public function post(string $key, int $depositId, int $invoiceId, string $amount = ''): int
    {
        return (int) Once::for($key, function () use ($depositId, $invoiceId, $amount): int {
            $deposit = $this->positions->find($depositId);
            $invoice = $this->positions->find($invoiceId);
            if ($deposit->kind !== Kind::Deposit || $invoice->side !== Side::Debit || $deposit->customerId !== $invoice->customerId || $deposit->amount->currency->code !== $invoice->amount->currency->code) {
                throw new Refusal('A deposit settles an invoice of the same customer in the same currency.');
            }
            $share = $this->taxes->shareOf($deposit);
            $net = trim($amount) !== '' ? TypedAmount::read($amount, $deposit->amount->currency) : $share->within($invoice->open);
            if ($net->minor <= 0 || $net->minor > $deposit->open->minor) {
                throw new Refusal("{$deposit->title()} has {$deposit->open->grouped()} {$deposit->open->currency->code} open; an amount above zero and up to that is expected.");
            }
            [$gross, $tax] = [$share->gross($net), $share->tax($net)];
            $base = Money::ofMinor(CarryingAmount::movedBy($deposit->base->minor, $deposit->amount->minor, $deposit->matched, $deposit->moved, $net->minor), $deposit->base->currency);

            $date = $this->settings->locked()->firstOpenFrom(max($deposit->date, $invoice->date));
            $accounts = $this->settings->accounts();
            $customer = (string) DB::table('customers')->where('id', $deposit->customerId)->value('customer');
            $record = new Recorder($this->actor);
            $settlement = Settlement::query()->create(['customer_id' => $deposit->customerId, 'date' => $date, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
            $posted = $record->voucher((new ReceiptPosting($accounts))->depositMatched($date, $accounts->withId($deposit->controlAccountId), $accounts->withId($invoice->controlAccountId), $base, $tax, $gross, $deposit->document, $customer), settlementId: $settlement->id);
            $item = static fn (Kind $kind, Side $side, int $account, Money $amount, Money $base): int => $record->item(
                document: $deposit->document, kind: $kind, customerId: $deposit->customerId, occurrence: $record->nextOccurrence($deposit->document, $kind, $deposit->customerId), side: $side, date: $date, dueDate: $date,
                currency: $amount->currency->code, amount: $amount->minor, base: $base->minor, controlAccountId: $account, reference: $invoice->document, entry: $posted->number, voucherId: $posted->id,
            );
            $taken = $item(Kind::Transfer, Side::Debit, $deposit->controlAccountId, $net, $base);
            $record->match($date, $taken, $depositId, $net->minor, $base->minor, $base->minor, $settlement->id);
            $credit = $item(Kind::DepositMatched, Side::Credit, $invoice->controlAccountId, $gross, $base->plus($tax));
            $rehearsal = $this->match->rehearse(new MatchRequest($deposit->customerId, [$invoiceId => '', $credit => ''], $date));
            $this->match->store($record, $rehearsal->plan ?? throw new Refusal((string) $rehearsal->refusal), $settlement->id);
            $record->flush();
            $this->audit->record('match deposit', "settlement {$settlement->id}", '', ['deposit' => $deposit->document, 'invoice' => $invoice->document, 'amount' => $gross->decimal()]);

            return $settlement->id;
        });
    }
}
