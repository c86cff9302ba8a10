<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

use Ajuste\Core\Ledger\Voucher;

/** A voucher that a plan writes. */
final readonly class PlannedVoucher
{
    /**
     * @param ?int $settlement place of the settlement that causes it; null: none
     * @param ?int $reverses key of the posted voucher that it takes back; null: none
     * @param ?int $mirrors place of the voucher of the same plan that it takes back; null: none
     * @param ?int $run key of the posted run that it belongs to; null: none, or the one of the plan
     */
    public function __construct(
        public Voucher $voucher,
        public ?int $settlement = null,
        public ?int $reverses = null,
        public ?int $mirrors = null,
        public ?int $run = null,
    ) {}
}
