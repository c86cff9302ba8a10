<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Posting\PostingPlan;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\Brought;
use Ajuste\Core\Settlement\ReceiptSettlement;
use Ajuste\Core\Settlement\SettlementFrame;
use Ajuste\Core\Settlement\SettlementPlan;
use Ajuste\Core\Settlement\Ticked;

/** What settling some items comes to, before it is known whether it can be posted. */
final readonly class SettlementWork
{
    /** @param  array<int, Brought>  $brought credits that stand elsewhere, by item id */
    public function __construct(
        private SettlementPlan $rule,
        private SettlementFrame $frame,
        public Ticked $ticked,
        public ReceiptSettlement $shares,
        private array $brought,
    ) {}

    /** @throws Refusal when it cannot be posted */
    public function plan(): PostingPlan
    {
        return $this->rule->plan($this->frame, $this->ticked, $this->shares, $this->brought);
    }
}
