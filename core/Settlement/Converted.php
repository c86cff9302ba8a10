<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\ChartOfAccounts;
use Ajuste\Core\Ledger\VoucherHead;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\MatchedAmounts;
use Ajuste\Core\Posting\PlanBuilder;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;

/** A credit, all that is open of it, as a credit in another currency (R3). */
final readonly class Converted implements Brought
{
    /** @param  Money  $worth by the bank's or an agreed rate, above zero */
    public function __construct(private OpenItem $credit, private Money $worth, private ChartOfAccounts $accounts) {}

    public function asSettled(): OpenItem
    {
        return $this->credit->countedAs($this->worth);
    }

    public function bring(PlanBuilder $plan, int $settlement, SettlementFrame $frame, Money $amount): OpenItem
    {
        [$document, $open, $account] = [$this->credit->document, $this->credit->takeable, $this->credit->head->account];
        $conversion = new Conversion($this->credit->moves($open), $this->worth);
        $head = new VoucherHead($frame->date, $document, $frame->customer->number);
        $voucher = $plan->voucher(
            (new EventVouchers($this->accounts))->converted($head, $frame->control, $conversion, $open, $this->worth),
            $settlement,
        );
        $off = $plan->newItem(
            ItemHead::debit($document, Kind::Transfer, $account, $frame->date, $document),
            $open,
            $conversion->moved,
            $voucher,
        );
        $plan->match($frame->date, $off, $this->credit, MatchedAmounts::even($open, $conversion->moved), $settlement);

        return $plan->newItem(
            ItemHead::credit($document, Kind::Transfer, $account, $frame->date, $document),
            $this->worth,
            $conversion->base,
            $voucher,
        );
    }
}
