<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Ref;
use Ajuste\Core\Settlement\CreditedLine;

/** A credit note with the lines that it credits. */
final readonly class CreditNoteIssued implements Fact
{
    /**
     * @param list<CreditedLine> $lines
     * @param array<string, int> $invoices keys of the invoices, by document
     * @param int $voucher place of its voucher
     */
    public function __construct(
        public Ref $note,
        public array $lines,
        public array $invoices,
        public string $reason,
        public int $voucher,
    ) {}
}
