<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\DatedRate;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Quote;
use Ajuste\Core\Money\Rate;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\EarlyPaymentDiscount;
use Ajuste\Core\Settlement\ReceiptPosting;
use Ajuste\Core\Settlement\TaxedLine;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Models\Customer;
use App\Queries\BankLine;
use App\Queries\BankLines;
use App\Queries\Positions;
use App\Queries\Proposals;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Makes a bank line a receipt of a customer: the receipt with its voucher, the discounts taken with theirs, and the match, in one transaction. A
 * rehearsal does the same and takes it back.
 */
final class PlaceReceipt
{
    public function __construct(
        private readonly Settings $settings, private readonly BankLines $lines, private readonly Positions $positions, private readonly Proposals $proposals,
        private readonly MatchItems $match, private readonly Actor $actor, private readonly AuditTrail $audit,
    ) {}

    public function rehearse(ReceiptRequest $request, Account $control): ReceiptRehearsal
    {
        DB::beginTransaction();
        try {
            return $this->carryOut($request, $control, 'rehearsal-'.bin2hex(random_bytes(8)));
        } catch (Refusal $refusal) {
            return new ReceiptRehearsal(null, [], null, $refusal->getMessage());
        } finally {
            DB::rollBack();
        }
    }

    /** @throws Refusal when it cannot be posted */
    public function post(string $key, ReceiptRequest $request, Account $control): void
    {
        Once::for($key, function () use ($key, $request, $control): int {
            $done = $this->carryOut($request, $control, $key);
            if ($done->refusal !== null) {
                throw new Refusal($done->refusal);
            }

            return $request->lineId;
        });
    }

    /** @throws Refusal when the line is placed already or no reason is given */
    public function setAside(string $key, int $lineId, string $reason): void
    {
        Once::for($key, function () use ($lineId, $reason): int {
            $line = $this->lines->find($lineId);
            if (trim($reason) === '') {
                throw new Refusal('Say what the line is, so that others can follow it: salaries, a supplier, interest.');
            }
            $this->place($line, 'not_receivables', null, $reason);
            $this->audit->record('bank line is not receivables', "bank line {$lineId}", $reason, ['amount' => $line->amount->decimal()]);

            return $lineId;
        });
    }

    private function carryOut(ReceiptRequest $request, Account $control, string $key): ReceiptRehearsal
    {
        $line = $this->lines->find($request->lineId);
        if ($line->amount->minor <= 0) {
            throw new Refusal('Money went out with this line; only money that came in is a receipt.');
        }
        $customer = Customer::query()->find($request->customerId) ?? throw new Refusal('Choose the customer whose money it is.');
        $this->settings->locked()->refuse($line->bookingDate, 'The receipt');
        $posting = new ReceiptPosting($this->settings->accounts());
        $record = new Recorder($this->actor);

        $document = $this->document($line);
        $original = $line->amount->plus($line->charges);
        $credited = $this->base($line->amount, $line->bookingDate);
        $charges = $line->charges->isZero() ? Money::zero($credited->currency) : $this->base($original, $line->bookingDate)->minus($credited);
        $vouchers = [$posting->receipt(
            $line->bookingDate, $this->settings->accounts()->withId($line->accountId), $control, $credited, $charges, $original, $document,
            $customer->customer, "Receipt {$customer->name}",
        )];
        $posted = $record->voucher($vouchers[0]);
        $receipt = $record->item(
            document: $document, kind: Kind::Receipt, customerId: $customer->id, occurrence: $this->occurrence($document, Kind::Receipt, $customer->id), side: Side::Credit,
            date: $line->bookingDate, dueDate: $line->bookingDate, currency: $original->currency->code, amount: $original->minor, base: $credited->plus($charges)->minor,
            controlAccountId: $control->id, reference: mb_strimwidth($line->remittance, 0, 380), entry: $posted->number, voucherId: $posted->id,
        );
        $typed = [$receipt => ''];
        foreach ($this->discountsTaken($request, $line, $control) as [$invoice, $discount]) {
            [$voucher, $item] = $this->recordDiscount($record, $posting, $line, $control, $customer, $invoice, $discount);
            $vouchers[] = $voucher;
            $typed[$item] = '';
        }
        $record->flush();
        $this->place($line, 'receipt', $receipt, '');
        $matched = null;
        if ($request->typed !== []) {
            $match = new MatchRequest($customer->id, $typed + $request->typed);
            $matched = $this->match->rehearse($match);
            if ($matched->plan === null) {
                return new ReceiptRehearsal($matched, $vouchers, null, $matched->refusal);
            }
            $this->match->post("{$key}-match", $match);
            array_push($vouchers, ...($matched->plan->voucher === null ? [] : [$matched->plan->voucher]));
        }
        $this->remember($line, $customer->id);
        $this->audit->record('place receipt', "bank line {$line->id}", '', ['document' => $document, 'customer' => $customer->customer, 'amount' => $original->decimal()]);
        $unapplied = $original;
        foreach ($matched->plan->matches ?? [] as $pair) {
            $unapplied = $pair->credit->id === $receipt ? $unapplied->minus($pair->amount) : $unapplied;
        }

        return new ReceiptRehearsal($matched, $vouchers, $unapplied, null);
    }

    /** @return list<array{OpenItem, int}> */
    private function discountsTaken(ReceiptRequest $request, BankLine $line, Account $control): array
    {
        $taken = [];
        $open = $request->discounts === [] ? [] : $this->positions->openItems($control->id, $request->customerId, max($line->bookingDate, $this->settings->period()->last));
        $offered = $this->proposals->discounts($open, $line->valueDate);
        foreach ($open as $item) {
            if (in_array($item->id, $request->discounts, true) && isset($request->typed[$item->id])) {
                if (($offered[$item->id] ?? 0) === 0) {
                    throw new Refusal("{$item->title()} offers no discount on the value date {$line->valueDate}.");
                }
                $taken[] = [$item, $offered[$item->id]];
            }
        }

        return $taken;
    }

    /** @return array{Voucher, int} the voucher and the discount's item */
    private function recordDiscount(Recorder $record, ReceiptPosting $posting, BankLine $line, Account $control, Customer $customer, OpenItem $invoice, int $discount): array
    {
        $original = Money::ofMinor($discount, $invoice->amount->currency);
        $base = $this->base($original, $line->bookingDate);
        $voucher = $posting->discount($line->bookingDate, $control, $base, $this->taxWithin($invoice, $base), $original, $invoice->document, $invoice->document, $customer->customer);
        $posted = $record->voucher($voucher);
        $item = $record->item(
            document: $invoice->document, kind: Kind::Discount, customerId: $customer->id, occurrence: $this->occurrence($invoice->document, Kind::Discount, $customer->id), side: Side::Credit,
            date: $line->bookingDate, dueDate: $line->bookingDate, currency: $original->currency->code, amount: $discount, base: $base->minor,
            controlAccountId: $control->id, reference: $invoice->document, entry: $posted->number, voucherId: $posted->id,
        );

        return [$voucher, $item];
    }

    /** Relief follows the invoice's own mix of rates; where its lines are unknown there is none, it is not guessed (R2). */
    private function taxWithin(OpenItem $invoice, Money $discount): Money
    {
        $lines = $this->settings->text(Setting::TaxReliefDiscounts) === 'yes' ? DB::table('item_lines')->where('document', $invoice->document)->orderBy('id')->get(['net', 'tax_rate']) : collect();
        $taxed = array_values($lines->map(static fn (stdClass $line): TaxedLine => new TaxedLine($line->net, is_numeric($line->tax_rate) ? (string) $line->tax_rate : '0'))->all());

        return Money::ofMinor(EarlyPaymentDiscount::taxWithin($discount->minor, $taxed), $discount->currency);
    }

    /** What the bank credited; on an account in another currency at the last rate of the books. */
    private function base(Money $amount, string $date): Money
    {
        $base = $this->settings->base();
        if ($amount->currency->code === $base->code) {
            return $amount;
        }
        $row = DB::table('rates')->where('currency', $amount->currency->code)->where('date', '<=', $date)->orderByDesc('date')->first();
        $last = $row === null ? null : new DatedRate(Rate::of($amount->currency, $row->rate, Quote::from($row->quoted)), $row->date);

        return DatedRate::serving($last, $amount->currency, $date, $this->settings->whole(Setting::RateDays))->toBase($amount, $base);
    }

    private function document(BankLine $line): string
    {
        $wanted = $line->reference !== '' ? mb_strimwidth($line->reference, 0, 60) : "BK{$line->id}";

        return DB::table('items')->where('document', $wanted)->exists() ? "BK{$line->id}" : $wanted;
    }

    private function occurrence(string $document, Kind $kind, int $customerId): int
    {
        return 1 + (int) DB::table('items')->where(['document' => $document, 'kind' => $kind->value, 'customer_id' => $customerId])->max('occurrence');
    }

    private function place(BankLine $line, string $kind, ?int $itemId, string $reason): void
    {
        if (DB::table('bank_placements')->where('line_id', $line->id)->exists()) {
            throw new Refusal('This bank line has been placed already. Load the page again.');
        }
        DB::table('bank_placements')->insert([
            'line_id' => $line->id, 'kind' => $kind, 'item_id' => $itemId, 'reason' => $reason, 'who' => $this->actor->who,
            'recorded_at' => Moment::now(),
        ]);
    }

    /** What a person decides is remembered for the payer's name and account. */
    private function remember(BankLine $line, int $customerId): void
    {
        if ($line->party !== '' || $line->partyAccount !== '') {
            DB::table('payers')->updateOrInsert(['name' => $line->party, 'bank_account' => $line->partyAccount], ['customer_id' => $customerId, 'recorded_at' => Moment::now()]);
        }
    }
}
