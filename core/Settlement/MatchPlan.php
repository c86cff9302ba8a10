<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\ItemMatch;

/** What posting a match would write. */
final readonly class MatchPlan
{
    /**
     * @param list<Tick> $ticks
     * @param list<ItemMatch> $matches
     * @param list<ExchangeDifference> $differences
     * @param ?Voucher $voucher for the exchange differences; null when there are none
     * @param list<string> $warnings
     */
    public function __construct(
        public string $date,
        public array $ticks,
        public array $matches,
        public array $differences,
        public ?Voucher $voucher,
        public array $warnings,
        public Money $settled,
    ) {}
}
