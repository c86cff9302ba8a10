<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Fact\PlacementTakenBack;
use Ajuste\Core\Posting\Fact\StatementLinePlaced;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Posting\Subject;
use Ajuste\Core\Posting\SubjectKind;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\FeeBearer;
use Ajuste\Core\Settlement\PlacementKind;
use Ajuste\Core\Settlement\ReceiptReturn;
use Ajuste\Core\Subledger\OpenItem;
use App\Actions\Posting\PostPlan;
use App\Actions\Posting\Reason;
use App\Queries\Customers;
use App\Queries\PostedReceipts;
use App\Queries\Rates;
use App\Queries\Settings;
use App\Queries\StatementLine;
use App\Queries\StatementLines;

/**
 * Takes a receipt back. One that came back is paired with the bank's line; one that was a mistake leaves its line free to be placed
 * again; one that is another customer's goes over to that customer.
 */
final readonly class ReverseReceipt
{
    public function __construct(
        private Settings $settings,
        private StatementLines $lines,
        private PostedReceipts $receipts,
        private Customers $customers,
        private Rates $rates,
        private PostPlan $posting,
    ) {}

    /**
     * By a line of the bank, by which it went out again.
     *
     * @param ?Money $fee what the bank took for it, base currency
     *
     * @throws Refusal when it cannot be taken back, or the line does not come to receipt and fee
     */
    public function byStatement(string $key, int $itemId, int $lineId, ?Money $fee, FeeBearer $bearer, string $reason): void
    {
        $this->posting->post($key, function () use ($itemId, $lineId, $fee, $bearer, $reason): PostingPlan {
            $line = $this->lines->find($lineId);
            $charge = $fee ?? Money::zero($this->settings->base());
            ReceiptReturn::refuseOtherSum($this->receipts->madeWith($itemId), $charge, $this->out($line));
            $plan = new PlanBuilder();
            $item = $this->comesBack($plan, $itemId, $line->accountId, $line->dates->booking, $charge, $bearer, $reason);
            $plan->fact(new StatementLinePlaced($line->id, $line->title(), PlacementKind::Returned, $reason, $item->ref));

            return $plan->build(Subject::item($item->ref));
        });
    }

    /**
     * As told by hand: a cheque that bounced.
     *
     * @param ?Money $fee what the bank took for it, base currency
     *
     * @throws Refusal when it cannot be taken back
     */
    public function byHand(string $key, int $itemId, string $date, ?Money $fee, FeeBearer $bearer, string $reason): void
    {
        $this->posting->post($key, function () use ($itemId, $date, $fee, $bearer, $reason): PostingPlan {
            $plan = new PlanBuilder();
            $account = $this->receipts->moneyAccount($itemId)->id;
            $item = $this->comesBack($plan, $itemId, $account, $date, $fee ?? Money::zero($this->settings->base()), $bearer, $reason);

            return $plan->build(Subject::item($item->ref));
        });
    }

    /** @throws Refusal when the receipt was not made here, or it is taken back already */
    public function mistaken(string $key, int $itemId, string $date, string $reason): void
    {
        $this->posting->post($key, function () use ($itemId, $date, $reason): PostingPlan {
            $made = $this->receipts->madeWith($itemId);
            $item = $made[0]->standing->item;
            $placement =
                $this->receipts->placement($itemId) ??
                ($this->receipts->placement($item->id) ??
                    throw new Refusal(
                        "{$item->document} was not placed here. Have it mended where it was posted, or say that it came back.",
                    ));
            $why = Reason::of($reason);
            $money = $this->settings->accounts()->withId($this->lines->find($placement->line_id)->accountId);
            $plan = new PlanBuilder();
            foreach ($made as $posted) {
                $customer = $this->customers->find($item->head->account->customerId);
                $this->rule()->comesBack($plan, $posted, $customer, $money, $date, $why);
            }
            $plan->fact(new PlacementTakenBack($placement->id, $why));
            $about = Subject::of(SubjectKind::Item, $itemId);
            $plan->trail('receipt was a mistake', $about, $why, ['date' => $date, 'document' => $item->document]);

            return $plan->build($about);
        });
    }

    /**
     * A receipt that is another customer's: control to control, in one step.
     *
     * @return int the item with the other customer
     *
     * @throws Refusal when it is the same customer, or the day is locked
     */
    public function move(string $key, int $itemId, int $customerId, string $date, string $reason): int
    {
        return $this->posting->post($key, function () use ($itemId, $customerId, $date, $reason): PostingPlan {
            $made = $this->receipts->madeWith($itemId);
            $item = $made[0]->standing->item;
            $to = $this->customers->find($customerId, 'Choose the customer whose money it is.');
            $from = $this->customers->find($item->head->account->customerId);
            if ($to->id === $from->id) {
                throw new Refusal("{$item->document} is with {$to->name} already.");
            }
            $why = Reason::of($reason, 'Say why it is another customer’s.');
            $plan = new PlanBuilder();
            $moved = $this->rule()->moves($plan, $made, $from, $to, $date, $why);
            $result = $moved[0];
            foreach ($made as $place => $posted) {
                $placement = $this->receipts->placement($posted->standing->item->id);
                if ($placement !== null) {
                    // the line is the new one's from now on
                    $line = $this->lines->find($placement->line_id);
                    $plan->fact(new PlacementTakenBack($placement->id, $why));
                    $plan->fact(new StatementLinePlaced($line->id, $line->title(), PlacementKind::Receipt, $why, $moved[$place]->ref));
                }
                $result = $posted->standing->item->id === $itemId ? $moved[$place] : $result;
            }
            $plan->trail('receipt is another customer’s', Subject::of(SubjectKind::Item, $itemId), $why, [
                'to' => $to->number,
                'date' => $date,
                'document' => $item->document,
            ]);

            return $plan->build(Subject::item($result->ref));
        });
    }

    private function comesBack(
        PlanBuilder $plan,
        int $itemId,
        int $moneyAccountId,
        string $date,
        Money $fee,
        FeeBearer $bearer,
        string $reason,
    ): OpenItem {
        $why = Reason::of($reason);
        $money = $this->settings->accounts()->withId($moneyAccountId);
        $made = $this->receipts->madeWith($itemId);
        $item = $made[0]->standing->item;
        $customer = $this->customers->find($item->head->account->customerId);
        foreach ($made as $posted) {
            $this->rule()->comesBack($plan, $posted, $customer, $money, $date, $why);
        }
        if ($fee->isPositive()) {
            $head = new VoucherHead($date, $item->document, $customer->number);
            $this->rule()->fee($plan, $head, $customer, $this->settings->controlAccountOf($customer->id), $money, $fee, $bearer);
        }
        $plan->trail('receipt came back', Subject::of(SubjectKind::Item, $itemId), $why, [
            'date' => $date,
            'document' => $item->document,
            'fee' => $fee->decimal(),
        ]);

        return $item;
    }

    /** What the bank took, what it charged for it included, base currency. */
    private function out(StatementLine $line): Money
    {
        return $this->rates->toBase($line->amount->negated(), $line->dates->booking);
    }

    private function rule(): ReceiptReturn
    {
        return new ReceiptReturn($this->settings->accounts(), $this->settings->locked());
    }
}
