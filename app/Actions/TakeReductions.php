<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Deduction;
use Ajuste\Core\Settlement\ReceiptPosting;
use Ajuste\Core\Settlement\TaxRelief;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Actions\Receipts\DeductionEntry;
use App\Models\Customer;
use App\Queries\DeductionReasons;
use App\Queries\InvoiceLines;
use App\Queries\Proposals;
use App\Queries\Rates;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;

/** What comes off invoices beside money: early payment discounts, deductions, and the lines of an invoice that alone are meant (R3, R4, R5). */
final readonly class TakeReductions
{
    public function __construct(private Settings $settings, private Proposals $proposals, private Rates $rates, private InvoiceLines $invoiceLines, private DeductionReasons $reasons, private Actor $actor) {}

    /**
     * What an item takes when no amount is typed.
     *
     * @param list<string> $lines those that are meant; none: the whole item
     */
    public function ofLines(OpenItem $item, array $lines): Money
    {
        if ($lines === []) {
            return $item->open;
        }
        $known = $this->invoiceLines->of($item->document);
        $gross = array_sum(array_map(static fn (string $line): int => ($known[$line] ?? throw new Refusal("{$item->title()} has no line {$line}."))->gross(), $lines));

        return Money::ofMinor(min($gross, $item->open->minor), $item->open->currency);
    }

    /**
     * @param list<int> $items whose discount is taken
     * @param list<Tick> $ticks
     * @return array<int, Money> by item id
     *
     * @throws Refusal where an item offers none on the value date
     */
    public function discounts(array $items, array $ticks, string $valueDate): array
    {
        $taken = [];
        $wanted = array_values(array_filter($ticks, static fn (Tick $tick): bool => in_array($tick->item->id, $items, true)));
        $offered = $wanted === [] ? [] : $this->proposals->discounts(array_map(static fn (Tick $tick): OpenItem => $tick->item, $wanted), $valueDate, array_column(array_map(static fn (Tick $tick): array => [$tick->item->id, $tick->amount->minor], $wanted), 1, 0));
        foreach ($wanted as $tick) {
            if (($offered[$tick->item->id] ?? 0) === 0) {
                throw new Refusal("{$tick->item->title()} offers no discount on the value date {$valueDate}".($tick->amount->minor < $tick->item->open->minor ? ' for a part of it' : '').'. Take it off, or decide the discount of this invoice otherwise.');
            }
            $taken[$tick->item->id] = Money::ofMinor($offered[$tick->item->id], $tick->amount->currency);
        }

        return $taken;
    }

    /**
     * @param list<DeductionEntry> $entries those without an amount count as not entered
     * @param array<int, OpenItem> $open by id
     * @return list<Deduction>
     */
    public function deductions(array $entries, array $open, Currency $currency): array
    {
        $deductions = [];
        foreach ($entries as $entry) {
            if (trim($entry->amount) !== '') {
                $invoice = $entry->itemId === 0 ? null : $open[$entry->itemId] ?? throw new Refusal('A deduction names an item that is not open any more. Load the page again.');
                if ($entry->code === '') {
                    throw new Refusal("{$entry->amount} was kept back: choose the reason.");
                }
                $deductions[] = new Deduction($this->reasons->coded($entry->code), $invoice, TypedAmount::read($entry->amount, $currency));
            }
        }

        return $deductions;
    }

    /**
     * Discounts taken and deductions accepted, each with its voucher and item.
     *
     * @param string $document of a deduction that concerns no invoice
     * @param list<Tick> $ticks
     * @param array<int, Money> $discounts by item id
     * @param list<Deduction> $deductions contested ones are left out: their amount stays open
     * @return list<array{Voucher, int, Money}> the voucher, the item that it made, and its amount
     */
    public function record(Recorder $record, int $settlementId, Account $control, Customer $customer, string $date, string $document, array $ticks, array $discounts, array $deductions): array
    {
        $posting = new ReceiptPosting($this->settings->accounts());
        $item = static fn (Voucher $voucher, Kind $kind, Money $amount, Money $base, string $document, string $reference): int => $record->item(
            document: $document, kind: $kind, customerId: $customer->id, occurrence: $record->nextOccurrence($document, $kind, $customer->id), side: Side::Credit, date: $date, dueDate: $date,
            currency: $amount->currency->code, amount: $amount->minor, base: $base->minor, controlAccountId: $control->id, reference: $reference,
            entry: ($posted = $record->voucher($voucher, settlementId: $settlementId))->number, voucherId: $posted->id,
        );
        $made = [];
        foreach ($ticks as $tick) {
            $discount = $discounts[$tick->item->id] ?? null;
            if ($discount !== null) {
                $invoice = $tick->item->document;
                $base = $this->rates->toBase($discount, $date);
                $tax = $this->settings->text(Setting::TaxReliefDiscounts) === 'yes' ? TaxRelief::within($base->minor, array_values($this->invoiceLines->of($invoice))) : 0;
                $voucher = $posting->discount($date, $control, $base, Money::ofMinor($tax, $base->currency), $discount, $invoice, $customer->customer);
                $made[] = [$voucher, $item($voucher, Kind::Discount, $discount, $base, $invoice, $invoice), $discount];
            }
        }
        foreach ($deductions as $deduction) {
            if ($deduction->reason->account !== null) {
                $base = $this->rates->toBase($deduction->amount, $date);
                $of = $deduction->invoice->document ?? $document;
                $voucher = $posting->deduction($date, $deduction->reason->account, $control, $base, $this->taxOf($deduction, $base), $deduction->amount, $deduction->reason->words, $of, $customer->customer);
                $made[] = [$voucher, $item($voucher, Kind::Deduction, $deduction->amount, $base, $of, $deduction->reason->code), $deduction->amount];
            }
        }

        return $made;
    }

    /** @param  list<Deduction>  $contested each with its invoice */
    public function contest(array $contested, int $settlementId, string $date): void
    {
        foreach ($contested as $deduction) {
            assert($deduction->invoice !== null);
            DB::table('contested')->insert([
                'item_id' => $deduction->invoice->id, 'reason_id' => DB::table('deduction_reasons')->where('code', $deduction->reason->code)->value('id'), 'amount' => $deduction->amount->minor,
                'owner' => $this->actor->who, 'date' => $date, 'settlement_id' => $settlementId, 'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
        }
    }

    /**
     * Which lines of an invoice a match was meant for.
     *
     * @param array<int, list<string>> $lines by item id
     */
    public function keepLines(array $lines, int $settlementId): void
    {
        foreach ($lines as $itemId => $of) {
            foreach ($of as $line) {
                DB::table('matched_lines')->insertOrIgnore(['settlement_id' => $settlementId, 'item_id' => $itemId, 'line' => $line]);
            }
        }
    }

    /** In the invoice's own mix of rates; without an invoice at the reason's rate. What is not known is not guessed (R2). */
    private function taxOf(Deduction $deduction, Money $base): Money
    {
        $tax = match (true) {
            ! $deduction->reason->taxRelief => 0,
            $deduction->invoice !== null => TaxRelief::within($base->minor, array_values($this->invoiceLines->of($deduction->invoice->document))),
            default => $deduction->reason->rate === '' ? 0 : TaxRelief::atRate($base->minor, $deduction->reason->rate),
        };

        return Money::ofMinor($tax, $base->currency);
    }
}
