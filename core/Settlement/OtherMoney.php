<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Calendar\LockedDays;
use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Ledger\VoucherLine;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\StatementLinePlaced;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Refusal;

/** Money that is no customer's receipt (R2): it goes straight to accounts, or confirms what is posted already. */
final readonly class OtherMoney
{
    public function __construct(private ChartOfAccounts $accounts, private LockedDays $locked) {}

    /**
     * Straight to accounts: interest, a rebate, a grant. A share below zero is debited, such as tax withheld from interest.
     *
     * @param string $reference of the bank
     * @param list<AccountShare> $shares
     * @param string $memo text of the voucher
     *
     * @throws Refusal when the shares do not make the money, or an account carries customers
     */
    public function onAccounts(ReceivedMoney $money, string $reference, array $shares, string $memo): PostingPlan
    {
        $this->locked->refuse($money->bookingDate, 'The receipt');
        $left = $money->credited;
        $against = [];
        foreach ($shares as $share) {
            if ($share->account->carriesCustomers()) {
                throw new Refusal(
                    "{$share->account->title()} carries customers. Choose the customer instead, so that the proof stays whole.",
                );
            }
            $amount = $share->amount ?? $left;
            if ($amount->isZero() || ($share->amount === null && $amount->isNegative())) {
                throw new Refusal("{$share->account->title()}: an amount is expected; {$left->grouped()} is left of the line.");
            }
            $left = $left->minus($amount);
            $against[] = new VoucherLine($share->account, $amount->negated(), $memo, $reference);
        }
        if ($against === [] || ! $left->isZero()) {
            $still = "{$left->grouped()} {$left->currency->code} of {$money->credited->grouped()}";
            throw new Refusal("{$still} is still to be placed. The accounts together must make the line.");
        }
        $plan = new PlanBuilder();
        $none = Money::zero($left->currency);
        $head = new VoucherHead($money->bookingDate, $reference);
        $voucher = $plan->voucher(
            (new EventVouchers($this->accounts))->received($head, $money->account, $money->credited, $none, $against, $memo),
        );
        $plan->fact(new StatementLinePlaced($money->lineId, $money->says(), PlacementKind::Accounts, $memo, voucher: $voucher));
        $about = Subject::of(SubjectKind::StatementLine, $money->lineId);
        $plan->trail('receipt not from a customer', $about, $memo, ['amount' => $money->credited->decimal()]);

        return $plan->build($about);
    }

    /**
     * The line confirms a posting. Where that stands on an account in transit, the bank takes it over from there.
     *
     * @param string $reference of the bank
     *
     * @throws Refusal when the posting is of another amount, or stands on an account that is neither the bank's nor in transit
     */
    public function confirm(ReceivedMoney $money, Money $amount, string $reference, StandingPosting $posting): PostingPlan
    {
        if (! $posting->amount->equals($amount)) {
            throw new Refusal('The posting is of another amount than the line. Choose another one.');
        }
        $plan = new PlanBuilder();
        $voucher = $posting->account->id === $money->account->id ? null : $this->clear($plan, $money, $reference, $posting);
        $plan->fact(
            new StatementLinePlaced($money->lineId, $money->says(), PlacementKind::Confirmed, postingId: $posting->id, voucher: $voucher),
        );
        $about = Subject::of(SubjectKind::StatementLine, $money->lineId);
        $plan->trail('bank confirms', $about, '', [
            'posting' => (string) $posting->id,
            'entry' => $posting->entry,
            'amount' => $amount->decimal(),
        ]);

        return $plan->build($about);
    }

    /** @return int the place of the voucher */
    private function clear(PlanBuilder $plan, ReceivedMoney $money, string $reference, StandingPosting $posting): int
    {
        $this->locked->refuse($money->bookingDate, 'The confirmation');
        if (! in_array($posting->account->role, [AccountRole::ReceiptsInTransit, AccountRole::PaymentsInTransit], true)) {
            throw new Refusal("The posting stands on {$posting->account->title()}, which is neither this bank account nor in transit.");
        }
        $head = new VoucherHead($money->bookingDate, $posting->document, $posting->customer);

        return $plan->voucher(
            (new EventVouchers($this->accounts))->cleared($head, $posting->account, $money->account, $posting->base, $reference),
        );
    }
}
