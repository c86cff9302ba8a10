<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\ReceiptPosting;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\Side;
use App\Actions\Once;
use App\Actions\Reason;
use App\Actions\Recorder;
use App\Actions\ReverseSettlement;
use App\Models\Customer;
use App\Queries\MoneyLine;
use App\Queries\MoneyLines;
use App\Queries\Rates;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\AuditTrail;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Takes a receipt back: its matches are undone first, so that the invoices keep their age; then the control account against the money account (R2). A receipt
 * that came back is paired with the bank's line; one that was a mistake leaves its line free to be placed again.
 */
final readonly class ReverseReceipt
{
    public function __construct(
        private Settings $settings, private MoneyLines $lines, private Rates $rates, private ReverseSettlement $reverse, private Placements $placements, private Actor $actor, private AuditTrail $audit,
    ) {}

    /**
     * @param ?int $lineId the bank's line by which it went out again; null: told by hand
     * @param string $fee what the bank took for it, as typed, in base currency; blank: nothing
     * @param bool $feeToCustomer else it is a charge of our own
     *
     * @throws Refusal when it cannot be taken back, or the line does not come to receipt and fee
     */
    public function returned(string $key, int $itemId, ?int $lineId, string $date, string $fee, bool $feeToCustomer, string $reason): void
    {
        Once::for($key, function () use ($itemId, $lineId, $date, $fee, $feeToCustomer, $reason): int {
            $line = $lineId === null ? null : $this->lines->find($lineId);
            $date = $line->bookingDate ?? $date;
            $item = $this->receipt($itemId);
            $charge = trim($fee) === '' ? Money::zero($this->settings->base()) : TypedAmount::read($fee, $this->settings->base());
            $made = $this->madeTogether($item);
            $back = Money::ofMinor(array_sum(array_map(static fn (stdClass $of): int => $of->base + $of->tax - $of->charges, $made)), $this->settings->base());
            if ($line !== null) {
                $this->refuseOtherSum($line, $back->plus($charge), $item->document);
            }
            $record = new Recorder($this->actor);
            foreach ($made as $of) {
                $this->takeBack($record, $of, $line->accountId ?? $this->moneyAccount($item), $date, Reason::of($reason));
            }
            if (! $charge->isZero()) {
                $this->fee($record, $item, $line->accountId ?? $this->moneyAccount($item), $charge, $feeToCustomer, $date);
            }
            if ($line !== null) {
                $this->placements->put($line->id, PlacementKind::Returned, $reason, $item->root_id);
            }
            $record->flush();
            $this->audit->record('receipt came back', "item {$item->root_id}", $reason, ['date' => $date, 'document' => $item->document, 'fee' => $charge->decimal()]);

            return $item->root_id;
        });
    }

    /** @throws Refusal when the receipt was not made here, or it is taken back already */
    public function mistaken(string $key, int $itemId, string $date, string $reason): void
    {
        Once::for($key, function () use ($itemId, $date, $reason): int {
            $item = $this->receipt($itemId);
            $placement = self::placement($itemId);
            if ($placement === null) {
                throw new Refusal("{$item->document} was not placed here. Have it mended where it was posted, or say that it came back.");
            }
            $why = Reason::of($reason);
            $record = new Recorder($this->actor);
            $line = $this->lines->find($placement->line_id);
            foreach ($this->madeTogether($item) as $of) {
                $this->takeBack($record, $of, $line->accountId, $date, $why);
            }
            $this->placements->takeBack($placement->id, $why);
            $record->flush();
            $this->audit->record('receipt was a mistake', "item {$itemId}", $why, ['date' => $date, 'document' => $item->document]);

            return $itemId;
        });
    }

    /** Why it cannot be taken back; null when it can. */
    public static function refusal(int $itemId): ?string
    {
        $on = DB::table('item_reversals')->where('item_id', $itemId)->value('date');

        return $on === null ? null : "It was taken back on {$on} already.";
    }

    /** Whether a line of money became this receipt here, and can be placed again. */
    public static function wasPlacedHere(int $itemId): bool
    {
        return self::placement($itemId) !== null;
    }

    private static function placement(int $itemId): ?stdClass
    {
        return DB::table('placements as p')->where('p.item_id', $itemId)->where('p.kind', PlacementKind::Receipt->value)->whereNotExists(MoneyLines::reversed(...))->first();
    }

    /**
     * A receipt that is another customer's: taken back from the one and posted anew with the other, as it was, in one step.
     *
     * @return int the item with the other customer
     *
     * @throws Refusal when it is the same customer, in another currency's ledger, or the day is locked
     */
    public function move(string $key, int $itemId, int $customerId, string $date, string $reason): int
    {
        return (int) Once::for($key, function () use ($itemId, $customerId, $date, $reason): int {
            $item = $this->receipt($itemId);
            $customer = Customer::query()->find($customerId) ?? throw new Refusal('Choose the customer whose money it is.');
            if ($customer->id === $item->customer_id) {
                throw new Refusal("{$item->document} is with {$customer->name} already.");
            }
            $why = Reason::of($reason, 'Say why it is another customer’s.');
            $record = new Recorder($this->actor);
            $money = $this->settings->accounts()->withId($this->moneyAccount($item));
            $posting = new ReceiptPosting($this->settings->accounts());
            $made = $this->madeTogether($item);
            $base = fn (int $minor): Money => Money::ofMinor($minor, $this->settings->base());
            $against = [];
            foreach ($made as $of) {
                $this->takeBack($record, $of, $money->id, $date, $why);
                $account = $this->settings->accounts()->withId($of->control_account_id);
                $original = Money::ofMinor($of->amount, $of->currency);
                array_push($against, ...($of->kind === Kind::Deposit->value
                    ? $posting->deposit($account, $base($of->base + $of->tax), $base($of->tax), $original, $of->document, $customer->customer)
                    : [$posting->offCustomer($account, $base($of->base), $original, $of->document, $customer->customer, "Receipt {$customer->name}")]));
            }
            $charges = array_sum(array_map(static fn (stdClass $of): int => $of->charges, $made));
            $whole = array_sum(array_map(static fn (stdClass $of): int => $of->base + $of->tax, $made));
            $posted = $record->voucher($posting->received($date, $money, $base($whole - $charges), $base($charges), $against, "Receipt {$customer->name}", $item->document, $customer->customer));
            $new = [];
            foreach ($made as $of) {
                $new[$of->root_id] = $record->item(
                    document: $of->document, kind: Kind::from($of->kind), customerId: $customer->id, occurrence: $record->nextOccurrence($of->document, Kind::from($of->kind), $customer->id), side: Side::Credit, date: $date, dueDate: $date,
                    currency: $of->currency, amount: $of->amount, base: $of->base, controlAccountId: $of->control_account_id, reference: $of->reference, entry: $posted->number, voucherId: $posted->id,
                );
                if ($of->tax !== 0) {
                    DB::table('deposit_taxes')->insert(['item_id' => $new[$of->root_id], 'rate' => DB::table('deposit_taxes')->where('item_id', $of->root_id)->value('rate'), 'tax' => $of->tax]);
                }
                $this->followLine($of->root_id, $new[$of->root_id], $posted->id, $why);
            }
            $record->flush();
            $this->audit->record('receipt is another customer’s', "item {$itemId}", $why, ['to' => $customer->customer, 'date' => $date, 'document' => $item->document]);

            return $new[$itemId];
        });
    }

    /** The line of money that became the receipt is the new one's from now on. */
    private function followLine(int $itemId, int $newItemId, int $voucherId, string $reason): void
    {
        $placement = self::placement($itemId);
        if ($placement !== null) {
            $this->placements->takeBack($placement->id, $reason);
            $this->placements->put($placement->line_id, PlacementKind::Receipt, $reason, $newItemId, voucherId: $voucherId);
        }
    }

    private function receipt(int $itemId): stdClass
    {
        $item = DB::table('items')->where('root_id', $itemId)->whereNull('superseded_at')->whereIn('kind', [Kind::Receipt->value, Kind::Deposit->value])->first() ?? throw new Refusal('There is no such receipt. Load the page again.');

        return self::refusal($itemId) === null ? $item : throw new Refusal("{$item->document} is taken back already.");
    }

    /**
     * A line may have become a receipt and a deposit: both go back.
     *
     * @return non-empty-list<stdClass> items, each with the tax and the charges that were booked with it, in base currency
     */
    private function madeTogether(stdClass $item): array
    {
        $made = $item->voucher_id === null ? [] : DB::table('items')->where('voucher_id', $item->voucher_id)->where('document', $item->document)->whereIn('kind', [Kind::Receipt->value, Kind::Deposit->value])->where('customer_id', $item->customer_id)->orderBy('id')->get()->all();
        $made = $made === [] ? [$item] : array_values($made);
        foreach ($made as $of) {
            $of->tax = (int) DB::table('deposit_taxes')->where('item_id', $of->root_id)->value('tax');
            $of->charges = 0;
        }
        $charges = $this->settings->accounts()->allWithRole(AccountRole::BankCharges)[0] ?? null;
        if ($item->voucher_id !== null && $charges !== null) {
            $made[0]->charges = (int) DB::table('postings')->where('voucher_id', $item->voucher_id)->where('document', $item->document)->where('account_id', $charges->id)->sum('base');
        }

        return $made;
    }

    private function takeBack(Recorder $record, stdClass $item, int $moneyAccountId, string $date, string $reason): void
    {
        $this->settings->locked()->refuse($date, 'The return of a receipt');
        if ($date < $item->date) {
            throw new Refusal("{$item->document} is dated {$item->date}; it cannot come back on {$date}.");
        }
        $this->reverse->undoAll($record, $item->root_id, $date, $reason);
        $accounts = $this->settings->accounts();
        $base = Money::ofMinor($item->base, $this->settings->base());
        $posting = new ReceiptPosting($accounts);
        $customer = (string) DB::table('customers')->where('id', $item->customer_id)->value('customer');
        $original = Money::ofMinor($item->amount, $item->currency);
        $posted = $record->voucher($posting->returned($date, $accounts->withId($item->control_account_id), $accounts->withId($moneyAccountId), $base, Money::ofMinor($item->tax, $base->currency), Money::ofMinor($item->charges, $base->currency), $original, $item->document, $customer));
        $this->reverse->counter($record, $item, $posted, $date, $reason);
    }

    private function fee(Recorder $record, stdClass $item, int $moneyAccountId, Money $fee, bool $toCustomer, string $date): void
    {
        $accounts = $this->settings->accounts();
        $customer = (string) DB::table('customers')->where('id', $item->customer_id)->value('customer');
        $bearer = $toCustomer ? $this->settings->controlAccount() : $accounts->withRole(AccountRole::BankCharges);
        $posted = $record->voucher((new ReceiptPosting($accounts))->returnFee($date, $bearer, $accounts->withId($moneyAccountId), $fee, $item->document, $customer));
        if ($toCustomer) {
            $record->item(
                document: $item->document, kind: Kind::Charge, customerId: $item->customer_id, occurrence: $record->nextOccurrence($item->document, Kind::Charge, $item->customer_id), side: Side::Debit,
                date: $date, dueDate: $date, currency: $fee->currency->code, amount: $fee->minor, base: $fee->minor, controlAccountId: $bearer->id, reference: $item->document, entry: $posted->number, voucherId: $posted->id,
            );
        }
    }

    private function refuseOtherSum(MoneyLine $line, Money $expected, string $document): void
    {
        $out = $this->rates->toBase($line->amount->negated(), $line->bookingDate);
        $out = $line->charges->isZero() ? $out : $out->plus($this->rates->toBase($line->charges, $line->bookingDate));
        if (! $out->equals($expected)) {
            throw new Refusal("The bank took {$out->grouped()}, but {$document} and the fee come to {$expected->grouped()}. Choose another receipt, or type the fee that makes the difference.");
        }
    }

    /** Where the receipt went: the other side of its voucher or entry, else the first bank account. */
    private function moneyAccount(stdClass $item): int
    {
        $money = array_map(static fn ($account): int => $account->id, [...$this->settings->accounts()->allWithRole(AccountRole::Bank), ...$this->settings->accounts()->allWithRole(AccountRole::Till), ...$this->settings->accounts()->allWithRole(AccountRole::ReceiptsInTransit)]);
        $found = $item->entry === '' ? null : DB::table('postings')->where('entry', $item->entry)->whereIn('account_id', $money)->whereNull('superseded_at')->value('account_id');

        return is_int($found) ? $found : $this->settings->accounts()->withRole(AccountRole::Bank)->id;
    }
}
