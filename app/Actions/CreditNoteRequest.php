<?php

declare(strict_types=1);

namespace App\Actions;

/** A credit note as a person put it together. */
final readonly class CreditNoteRequest
{
    /**
     * @param array<int, array<string, CreditEntry>> $lines by invoice and its line
     * @param list<FreeCredit> $free
     * @param bool $match settle the invoices with it at once; else it stays loose
     * @param string $currency of a note that stands on no invoice; blank: the customer's
     */
    public function __construct(public int $customerId, public array $lines, public array $free, public string $date, public string $reason, public bool $match, public string $currency = '') {}
}
