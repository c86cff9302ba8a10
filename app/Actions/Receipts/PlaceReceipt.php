<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\Rounding;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\MatchPlan;
use Ajuste\Core\Settlement\ReceiptPosting;
use Ajuste\Core\Settlement\ReceiptSettlement;
use Ajuste\Core\Settlement\TaxRelief;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Actions\MatchItems;
use App\Actions\MatchRequest;
use App\Actions\Once;
use App\Actions\PostedVoucher;
use App\Actions\Recorder;
use App\Actions\TakeReductions;
use App\Models\Customer;
use App\Models\Settlement;
use App\Queries\ControlFigures;
use App\Queries\MoneyLine;
use App\Queries\MoneyLines;
use App\Queries\Positions;
use App\Queries\Rates;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/**
 * Makes a line of money a receipt of a customer: the receipt or deposit with its voucher, discounts and deductions with theirs, and the match, in one
 * transaction. A rehearsal does the same and takes it back.
 */
final readonly class PlaceReceipt
{
    public function __construct(
        private Settings $settings, private MoneyLines $lines, private Positions $positions, private Rates $rates, private TakeReductions $reductions,
        private ControlFigures $figures, private MatchItems $match, private Placements $placements, private Actor $actor, private AuditTrail $audit,
    ) {}

    public function rehearse(ReceiptRequest $request, Account $control, string $asOf): ReceiptRehearsal
    {
        $plan = null;
        DB::beginTransaction();
        try {
            $plan = $this->plan($request, $control);
            $this->refuseUnexplained($plan->settlement);
            $record = new Recorder($this->actor);
            $voucher = $this->voucher($plan);
            [$vouchers, $match] = $this->record($record, $plan, $record->voucher($voucher));
            $record->flush();

            return new ReceiptRehearsal(
                [$voucher, ...$vouchers], $match->ticks ?? [], $plan->settlement, $match, $this->positions->balance($control->id, $request->customerId, $asOf), $this->figures->at($control, $asOf),
                warnings: $match->warnings ?? [],
            );
        } catch (Refusal $refusal) {
            return new ReceiptRehearsal(ticks: $plan->ticks ?? [], settlement: $plan?->settlement, refusal: $refusal->getMessage());
        } finally {
            DB::rollBack();
        }
    }

    /** @throws Refusal when it cannot be posted */
    public function post(string $key, ReceiptRequest $request, Account $control): void
    {
        Once::for($key, function () use ($request, $control): int {
            $plan = $this->plan($request, $control);
            if ($plan->line->batchId !== null) {
                throw new Refusal('This receipt belongs to a batch and is posted with it. Keep what it settles as a draft.');
            }
            $this->refuseUnexplained($plan->settlement);
            $record = new Recorder($this->actor);
            $this->record($record, $plan, $record->voucher($this->voucher($plan)));
            $record->flush();

            return $request->lineId;
        });
    }

    /**
     * Works out what placing the line would write, from the books as they are.
     *
     * @throws Refusal when what is asked for does not fit
     */
    public function plan(ReceiptRequest $request, Account $control): ReceiptPlan
    {
        $line = $this->lines->find($request->lineId);
        if ($line->amount->minor <= 0) {
            throw new Refusal('Money went out with this line; only money that came in is a receipt.');
        }
        $customer = Customer::query()->find($request->customerId) ?? throw new Refusal('Choose the customer whose money it is.');
        $this->settings->locked()->refuse($line->bookingDate, 'The receipt');

        $kept = $this->keptBack($request, $line);
        $original = $this->original($request, $line->amount->plus($kept));
        $credited = $this->rates->toBase($line->amount, $line->bookingDate);
        $charges = $kept->isZero() ? Money::zero($credited->currency) : $this->rates->toBase($line->amount->plus($kept), $line->bookingDate)->minus($credited);

        $open = [];
        foreach ($this->positions->itemsToMatch($control->id, $customer->id, max($line->bookingDate, $this->settings->period()->last)) as $item) {
            $open[$item->id] = $item;
        }
        $ticks = $this->ticks($request, $open, $original->currency);
        $discounts = $this->reductions->discounts($request->discounts, $ticks, $line->valueDate);
        $deductions = $this->reductions->deductions($request->deductions, $open, $original->currency);
        $settlement = ReceiptSettlement::of($original, $ticks, $discounts, $deductions, $request->rest);

        $depositBase = Money::ofMinor($settlement->deposit->isZero() ? 0 : Rounding::proportion($credited->plus($charges)->minor, $settlement->deposit->minor, $original->minor), $credited->currency);
        $taxed = $request->depositTax !== '' && ! $settlement->deposit->isZero();
        $depositTax = Money::ofMinor($taxed ? TaxRelief::atRate($depositBase->minor, $request->depositTax) : 0, $credited->currency);
        $receipt = $original->minus($settlement->deposit);
        $receiptBase = $credited->plus($charges)->minus($depositBase);

        $posting = new ReceiptPosting($this->settings->accounts());
        $document = $this->document($line);
        $deposits = $settlement->deposit->isZero() ? $control : $this->settings->accounts()->withRole(AccountRole::CustomerDeposits);
        $against = $receipt->isZero() ? [] : [$posting->offCustomer($control, $receiptBase, $receipt, $document, $customer->customer, "Receipt {$customer->name}")];
        if (! $settlement->deposit->isZero()) {
            array_push($against, ...$posting->deposit($deposits, $depositBase, $depositTax, $settlement->deposit, $document, $customer->customer));
        }

        return new ReceiptPlan(
            $request, $line, $customer, $control, $deposits, $document, $settlement, $receipt, $receiptBase,
            $settlement->deposit->minus(Money::ofMinor($taxed ? TaxRelief::atRate($settlement->deposit->minor, $request->depositTax) : 0, $original->currency)),
            $depositBase->minus($depositTax), $depositTax, $credited, $charges, $against, $ticks, $discounts, $deductions,
        );
    }

    /** @throws Refusal when something is still to be explained */
    public function refuseUnexplained(ReceiptSettlement $settlement): void
    {
        if (! $settlement->toExplain->isZero()) {
            throw new Refusal($settlement->toExplain->minor > 0
                ? "{$settlement->toExplain->grouped()} {$settlement->toExplain->currency->code} less was paid than is ticked. Say why below, let it stay open, or tick less."
                : "{$settlement->toExplain->abs()->grouped()} {$settlement->toExplain->currency->code} more was paid than is ticked. Tick more, or choose where it stays.");
        }
    }

    public function voucher(ReceiptPlan $plan): Voucher
    {
        assert($plan->against !== []);

        return (new ReceiptPosting($this->settings->accounts()))->received(
            $plan->line->bookingDate, $this->settings->accounts()->withId($plan->line->accountId), $plan->credited, $plan->charges, $plan->against,
            ($plan->receipt->isZero() ? 'Deposit ' : 'Receipt ').$plan->customer->name, $plan->document, $plan->customer->customer,
        );
    }

    /**
     * Writes what was planned, beside the voucher that brought the money.
     *
     * @return array{list<Voucher>, ?MatchPlan} the further vouchers, and the match
     */
    public function record(Recorder $record, ReceiptPlan $plan, PostedVoucher $posted): array
    {
        $line = $plan->line;
        $typed = $vouchers = [];
        $receipt = null;
        if (! $plan->receipt->isZero()) {
            $receipt = $this->item($record, $plan, $posted, Kind::Receipt, $plan->control, $plan->receipt, $plan->receiptBase, $plan->document, mb_strimwidth($line->remittance, 0, 380));
            $typed += $plan->settlement->used->isZero() ? [] : [$receipt => $plan->settlement->used->decimal()];
        }
        $held = null;
        if (! $plan->depositNet->isZero()) {
            $held = $this->item($record, $plan, $posted, Kind::Deposit, $plan->deposits, $plan->depositNet, $plan->depositBase, $plan->document, mb_strimwidth($line->remittance, 0, 380));
            if (! $plan->depositTax->isZero()) {
                DB::table('deposit_taxes')->insert(['item_id' => $held, 'rate' => $plan->request->depositTax, 'tax' => $plan->depositTax->minor]);
            }
        }
        $match = null;
        if ($plan->ticks !== [] && $plan->settlement->takes !== []) {
            $date = $this->settings->locked()->firstOpenFrom(max($line->bookingDate, $this->positions->freeFrom(array_keys($plan->settlement->takes)), ...array_map(static fn (Tick $tick): string => $tick->item->date, $plan->ticks)));
            $settlement = Settlement::query()->create(['customer_id' => $plan->customer->id, 'date' => $date, 'who' => $this->actor->who, 'recorded_at' => $record->recordedAt]);
            foreach ($this->reductions->record($record, $settlement->id, $plan->control, $plan->customer, $line->bookingDate, $plan->document, $plan->ticks, $plan->discounts, $plan->deductions) as [$voucher, $item, $amount]) {
                $vouchers[] = $voucher;
                $typed[$item] = $amount->decimal();
            }
            foreach ($plan->settlement->takes as $id => $amount) {
                $typed[$id] = $amount->decimal();
            }
            $rehearsal = $this->match->rehearse(new MatchRequest($plan->customer->id, $typed, $date));
            $match = $rehearsal->plan ?? throw new Refusal($rehearsal->refusal ?? 'Nothing is ticked.');
            $this->match->store($record, $match, $settlement->id);
            $this->reductions->contest($plan->settlement->contested, $settlement->id, $date);
            $this->reductions->keepLines(array_intersect_key($plan->request->lines, $plan->settlement->takes), $settlement->id);
            array_push($vouchers, ...($match->voucher === null ? [] : [$match->voucher]));
        }
        $this->placements->put($line->id, PlacementKind::Receipt, '', $receipt ?? $held, voucherId: $posted->id);
        $this->remember($line, $plan->customer->id);
        $this->audit->record('place receipt', "money line {$line->id}", '', ['document' => $plan->document, 'customer' => $plan->customer->customer, 'amount' => $plan->receipt->plus($plan->settlement->deposit)->decimal()]);

        return [$vouchers, $match];
    }

    private function item(Recorder $record, ReceiptPlan $plan, PostedVoucher $posted, Kind $kind, Account $account, Money $amount, Money $base, string $document, string $reference): int
    {
        return $record->item(
            document: $document, kind: $kind, customerId: $plan->customer->id, occurrence: $record->nextOccurrence($document, $kind, $plan->customer->id), side: Side::Credit,
            date: $plan->line->bookingDate, dueDate: $plan->line->bookingDate, currency: $amount->currency->code, amount: $amount->minor, base: $base->minor,
            controlAccountId: $account->id, reference: $reference, entry: $posted->number, voucherId: $posted->id,
        );
    }

    /**
     * @param array<int, OpenItem> $open
     * @return list<Tick>
     */
    private function ticks(ReceiptRequest $request, array $open, Currency $currency): array
    {
        $ticks = [];
        foreach ($request->typed as $id => $typed) {
            $item = $open[$id] ?? throw new Refusal('One of the items that are ticked is not open any more. Load the page again.');
            if ($item->open->currency->code !== $currency->code) {
                throw new Refusal("{$item->title()} is in {$item->open->currency->code}, the receipt in {$currency->code}. Say above what the receipt is worth in {$item->open->currency->code}.");
            }
            $ticks[] = new Tick($item, trim($typed) !== '' ? TypedAmount::read($typed, $currency) : $this->reductions->ofLines($item, $request->lines[$id] ?? []));
        }

        return $ticks;
    }

    /** Charges that the bank's line tells of, and those that a person says were kept back on the way. */
    private function keptBack(ReceiptRequest $request, MoneyLine $line): Money
    {
        if (trim($request->keptBack) === '') {
            return $line->charges;
        }
        $typed = TypedAmount::read($request->keptBack, $line->amount->currency);
        $limit = $this->settings->money(Setting::BankChargesLimit);
        if ($this->rates->toBase($typed, $line->bookingDate)->minor > $limit->minor) {
            throw new Refusal("{$typed->grouped()} {$typed->currency->code} is more than banks may keep back by the policy, {$limit->grouped()} {$limit->currency->code} (bank_charges_limit). Give it a reason as a deduction, or let it stay open.");
        }

        return $line->charges->plus($typed);
    }

    /** What comes off the customer, in the currency of the invoices: the line's own, or at what the bank or an agreement makes of it (R3). */
    private function original(ReceiptRequest $request, Money $received): Money
    {
        if ($request->currency === '' || $request->currency === $received->currency->code) {
            return $received;
        }
        $currency = Currency::of($request->currency);
        if (trim($request->amount) === '') {
            throw new Refusal("Say what {$received->grouped()} {$received->currency->code} is in {$currency->code}, by the bank's or an agreed rate.");
        }
        $amount = TypedAmount::read($request->amount, $currency);

        return $amount->minor > 0 ? $amount : throw new Refusal("Say what the receipt is in {$currency->code}; an amount above zero is expected.");
    }

    private function document(MoneyLine $line): string
    {
        $wanted = $line->reference !== '' ? mb_strimwidth($line->reference, 0, 60) : "M{$line->id}";

        return DB::table('items')->where('document', $wanted)->exists() ? "M{$line->id}" : $wanted;
    }

    /** What a person decides is remembered for the payer's name and account. */
    private function remember(MoneyLine $line, int $customerId): void
    {
        if ($line->party !== '' || $line->partyAccount !== '') {
            DB::table('payers')->upsert([['name' => $line->party, 'bank_account' => $line->partyAccount, 'customer_id' => $customerId, 'recorded_at' => Moment::now()]], ['name', 'bank_account'], ['customer_id', 'recorded_at']);
        }
    }
}
