<?php

declare(strict_types=1);

namespace App\Values;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Settlement\CreditedLine;
use Ajuste\Core\Settlement\CreditNoteUse;

/** A credit note as a person put it together. */
final readonly class CreditNoteRequest
{
    /**
     * @param list<int> $invoices that it stands on
     * @param list<CreditedLine> $lines of them, and of its own
     */
    public function __construct(
        public int $customerId,
        public array $invoices,
        public array $lines,
        public Currency $currency,
        public string $date,
        public string $reason,
        public CreditNoteUse $use,
    ) {}
}
