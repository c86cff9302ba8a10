<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Money\Money;

/** What placing a bank line would write. */
final readonly class ReceiptRehearsal
{
    /**
     * @param list<Voucher> $vouchers
     * @param ?Money $unapplied what of the receipt stays loose; null when it cannot be posted
     * @param ?string $refusal why it cannot be posted as it stands
     */
    public function __construct(public ?MatchRehearsal $match, public array $vouchers, public ?Money $unapplied, public ?string $refusal) {}
}
