<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\StandingItem;
use Ajuste\Core\Posting\StandingMatch;
use Ajuste\Core\Posting\StandingSettlement;

/** A receipt or deposit of the books, with what was booked with it and what it settled. */
final readonly class PostedReceipt
{
    /**
     * @param Account $account the control account that carries it
     * @param Money $tax booked when a deposit was paid, base currency
     * @param string $taxRate its rate, percent; blank: none
     * @param Money $charges that a bank deducted, base currency
     * @param list<StandingSettlement> $settlements in which it stands, those that hang on others first
     * @param list<StandingMatch> $matches of no settlement
     */
    public function __construct(
        public StandingItem $standing,
        public Account $account,
        public Money $tax,
        public string $taxRate,
        public Money $charges,
        public array $settlements,
        public array $matches,
    ) {}

    public function worth(): Worth
    {
        return new Worth($this->standing->item->base, $this->standing->item->amount, $this->tax);
    }

    /** What the money account got for it, base currency. */
    public function credited(): Money
    {
        return $this->standing->item->base->plus($this->tax)->minus($this->charges);
    }
}
