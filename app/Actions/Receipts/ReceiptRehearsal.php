<?php

declare(strict_types=1);

namespace App\Actions\Receipts;

use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Settlement\MatchPlan;
use Ajuste\Core\Settlement\ReceiptSettlement;
use Ajuste\Core\Settlement\Tick;
use App\Queries\ProofLineFigures;

/** A line of money while it is being placed: what it would write, what is left, and what it would do to customer and proof line. */
final readonly class ReceiptRehearsal
{
    /**
     * @param list<Voucher> $vouchers
     * @param list<Tick> $ticks what each item takes
     * @param ?ReceiptSettlement $settlement null where what was typed cannot be read
     * @param ?MatchPlan $match null where nothing is matched
     * @param ?string $refusal why it cannot be posted as it stands
     * @param list<string> $warnings
     */
    public function __construct(
        public array $vouchers = [], public array $ticks = [], public ?ReceiptSettlement $settlement = null, public ?MatchPlan $match = null, public ?Money $balance = null, public ?ProofLineFigures $figures = null,
        public ?string $refusal = null, public array $warnings = [],
    ) {}

    public function canBePosted(): bool
    {
        return $this->refusal === null && $this->settlement !== null;
    }
}
