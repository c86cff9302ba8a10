<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\EInvoice;

use Ajuste\Core\Subledger\Kind;

/** What an electronic invoice says of itself, its amounts left out. */
final readonly class EInvoiceHead
{
    /**
     * @param Kind $kind invoice or credit note
     * @param string $dueDate or blank
     * @param string $reference the invoice that a credit note is of, else what the buyer named
     */
    public function __construct(
        public string $number,
        public Kind $kind,
        public string $date,
        public string $dueDate,
        public string $reference,
    ) {}
}
