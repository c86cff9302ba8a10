<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\Deduction;
use Ajuste\Core\Settlement\ReceiptSettlement;
use Ajuste\Core\Settlement\Tick;
use Ajuste\Core\Subledger\OpenItem;

/** What the worktop of loose items would settle, before anything is written. */
final readonly class SettlementPlan
{
    /**
     * @param array<int, OpenItem> $asIs the ticked items, by id
     * @param array<int, OpenItem> $items the same as they count in the match: a deposit with its tax, a credit in other money at what it is worth
     * @param non-empty-list<Tick> $ticks
     * @param array<int, Money> $discounts by item id
     * @param list<Deduction> $deductions accepted and contested
     */
    public function __construct(public string $date, public array $asIs, public array $items, public array $ticks, public array $discounts, public array $deductions, public ReceiptSettlement $settlement) {}
}
