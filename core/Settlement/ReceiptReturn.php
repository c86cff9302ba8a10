<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\DepositTaxBooked;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Refusal;
use Ajuste\Core\Subledger\Customer;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;

/**
 * Takes receipts back (R2): the match is undone first, so that the invoice keeps its age; then the control account against the money
 * account, or against itself where the receipt is another customer's.
 */
final readonly class ReceiptReturn
{
    private EventVouchers $vouchers;

    private Reversal $reversal;

    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked)
    {
        $this->vouchers = new EventVouchers($accounts);
        $this->reversal = new Reversal($locked);
    }

    /**
     * The money went out again, or never was.
     *
     * @param Account $money the money account
     *
     * @throws Refusal when the day is locked, or before the receipt or one of its matches
     */
    public function comesBack(
        PlanBuilder $plan,
        PostedReceipt $posted,
        Customer $customer,
        Account $money,
        string $date,
        string $reason,
    ): void {
        $item = $this->undone($plan, $posted, $date, $reason);
        $head = new VoucherHead($date, $item->document, $customer->number);
        $voucher = $plan->voucher($this->vouchers->returned($head, $posted->account, $money, $posted->worth(), $posted->charges));
        $this->reversal->counter($plan, $posted->standing, $voucher, $date, $reason);
    }

    /**
     * It is another customer's: control to control, the money is where it was.
     *
     * @param non-empty-list<PostedReceipt> $made all that one statement line became
     * @return non-empty-list<OpenItem> the same with the other customer, in the same order
     *
     * @throws Refusal as comesBack()
     */
    public function moves(PlanBuilder $plan, array $made, Customer $from, Customer $to, string $date, string $reason): array
    {
        $items = array_map(fn (PostedReceipt $posted): OpenItem => $this->undone($plan, $posted, $date, $reason), $made);
        $voucher = $plan->voucher($this->vouchers->moved(new VoucherHead($date, $items[0]->document, $from->number), $made, $to->number));
        $moved = [];
        foreach ($made as $place => $posted) {
            $item = $items[$place];
            $this->reversal->counter($plan, $posted->standing, $voucher, $date, $reason);
            $head = ItemHead::credit($item->document, $item->kind, $to->on($posted->account->id), $date, $item->head->reference);
            $moved[] = $new = $plan->newItem($head, $item->amount, $item->base, $voucher);
            if (! $posted->tax->isZero()) {
                $plan->fact(new DepositTaxBooked($new->ref, $posted->taxRate, $posted->tax));
            }
        }

        return $moved;
    }

    /**
     * The bank's fee: to charges, or to the customer as a charge.
     *
     * @param Account $control where a charge to the customer stands
     * @param Money $fee base currency, above zero
     */
    public function fee(
        PlanBuilder $plan,
        VoucherHead $head,
        Customer $customer,
        Account $control,
        Account $money,
        Money $fee,
        FeeBearer $bearer,
    ): void {
        $toCustomer = $bearer === FeeBearer::Customer;
        $account = $toCustomer ? $control : $this->accounts->withRole(AccountRole::BankCharges);
        $voucher = $plan->voucher($this->vouchers->returnFee($head, $account, $money, $fee));
        if ($toCustomer) {
            $charge = ItemHead::debit($head->document, Kind::Charge, $customer->on($control->id), $head->date, $head->document);
            $plan->newItem($charge, $fee, $fee, $voucher);
        }
    }

    /**
     * What the bank took has to come to the receipts and the fee.
     *
     * @param non-empty-list<PostedReceipt> $posted
     * @param Money $out what the bank took, base currency
     *
     * @throws Refusal when it comes to another sum
     */
    public static function refuseOtherSum(array $posted, Money $fee, Money $out): void
    {
        $expected = Money::sum([...array_map(static fn (PostedReceipt $of): Money => $of->credited(), $posted), $fee], $out->currency);
        if (! $out->equals($expected)) {
            $what = "{$posted[0]->standing->item->document} and the fee come to {$expected->grouped()}";
            throw new Refusal(
                "The bank took {$out->grouped()}, but {$what}. Choose another receipt, or type the fee that makes the difference.",
            );
        }
    }

    /** Its matches are undone. */
    private function undone(PlanBuilder $plan, PostedReceipt $posted, string $date, string $reason): OpenItem
    {
        $item = $posted->standing->item;
        $this->locked->refuse($date, 'The return of a receipt');
        if ($date < $item->date) {
            throw new Refusal("{$item->document} is dated {$item->date}; it cannot come back on {$date}.");
        }
        $this->reversal->settlements($plan, $posted->settlements, $date, $reason);
        $this->reversal->matches($plan, $posted->matches, $date, $reason);

        return $item;
    }
}
