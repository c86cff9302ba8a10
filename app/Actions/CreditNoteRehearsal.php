<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Voucher;
use Ajuste\Core\Settlement\CreditNote;

/** A credit note while it is being put together. */
final readonly class CreditNoteRehearsal
{
    public function __construct(public ?CreditNote $note, public ?Voucher $voucher, public string $refusal) {}
}
