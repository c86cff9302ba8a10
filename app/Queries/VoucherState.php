<?php

declare(strict_types=1);

namespace App\Queries;

/** A voucher of Ajuste and how far it has come on its way into the ledger. */
final readonly class VoucherState
{
    /** @param  string  $state to export, exported, not brought back (by a later import of its dates), taken over */
    public function __construct(
        public int $id, public string $number, public string $date, public string $text, public string $who, public string $recordedAt,
        public int $total, public string $state,
    ) {}
}
