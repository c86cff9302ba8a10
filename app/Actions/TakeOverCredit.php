<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\Conversion;
use Ajuste\Core\Settlement\ReceiptPosting;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;
use App\Models\Customer;
use App\Queries\DepositTaxes;
use App\Queries\Settings;

/** Brings a credit to where the items are that it settles: a deposit to their control account (R2), a credit in other money into their currency (R3). */
final readonly class TakeOverCredit
{
    public function __construct(private Settings $settings, private DepositTaxes $taxes) {}

    /**
     * A deposit with the tax that was booked on it. Afterwards the deposits account carries nothing of that part. It moves at its own rate (IFRIC 22).
     *
     * @param Money $gross what is used of it, tax included
     * @return array{Voucher, int} the voucher, and the credit that it made
     */
    public function ofDeposit(Recorder $record, int $settlementId, string $date, OpenItem $deposit, Money $gross, Account $control, Customer $customer): array
    {
        $share = $this->taxes->shareOf($deposit);
        $net = $share->ofGross($gross);
        $tax = $share->tax($net);
        $base = $deposit->moves($net);
        $deposits = $this->settings->accounts()->withId($deposit->controlAccountId);
        $voucher = (new ReceiptPosting($this->settings->accounts()))->depositMatched($date, $deposits, $control, $base, $tax, $gross, $deposit->document, $customer->customer);

        return [$voucher, $this->record($record, $settlementId, $date, $deposit, $voucher, [$net, $base], Kind::DepositMatched, $control, [$gross, $base->plus($tax)])];
    }

    /**
     * A credit, all that is open of it, as a credit in another currency.
     *
     * @param Money $worth by the bank's or an agreed rate
     * @return array{Voucher, int} the voucher, and the credit that it made
     */
    public function intoCurrency(Recorder $record, int $settlementId, string $date, OpenItem $credit, Money $worth, Account $control, Customer $customer): array
    {
        $conversion = new Conversion($credit->moves($credit->open), $worth);
        $voucher = (new ReceiptPosting($this->settings->accounts()))->converted($date, $control, $conversion, $credit->open, $worth, $credit->document, $customer->customer);

        return [$voucher, $this->record($record, $settlementId, $date, $credit, $voucher, [$credit->open, $conversion->moved], Kind::Transfer, $control, [$worth, $conversion->base])];
    }

    /**
     * The item that uses the credit up, and the one that comes of it.
     *
     * @param array{Money, Money} $off amount and base
     * @param array{Money, Money} $on amount and base
     */
    private function record(Recorder $record, int $settlementId, string $date, OpenItem $from, Voucher $voucher, array $off, Kind $kind, Account $control, array $on): int
    {
        $posted = $record->voucher($voucher, settlementId: $settlementId);
        $item = static fn (Kind $kind, Side $side, int $account, Money $amount, Money $base): int => $record->item(
            document: $from->document, kind: $kind, customerId: $from->customerId, occurrence: $record->nextOccurrence($from->document, $kind, $from->customerId), side: $side, date: $date, dueDate: $date,
            currency: $amount->currency->code, amount: $amount->minor, base: $base->minor, controlAccountId: $account, reference: $from->document, entry: $posted->number, voucherId: $posted->id,
        );
        $taken = $item(Kind::Transfer, Side::Debit, $from->controlAccountId, ...$off);
        $record->match($date, $taken, $from->id, $off[0]->minor, $off[1]->minor, $off[1]->minor, $settlementId);

        return $item($kind, Side::Credit, $control->id, ...$on);
    }
}
