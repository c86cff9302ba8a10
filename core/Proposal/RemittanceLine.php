<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** What one line of a pasted remittance says: a document with its amount, or something kept back. Amounts are minor units, positive. */
final readonly class RemittanceLine
{
    /**
     * @param ?int $item the open item that is named, null where none is
     * @param ?int $amount as written; null where only the document is named
     * @param bool $keptBack a deduction, to be confirmed with a reason
     * @param string $reason code of the reason whose words the line has, or blank
     */
    public function __construct(
        public ?int $item,
        public ?int $amount,
        public bool $keptBack,
        public string $reason,
        public string $text,
    ) {}
}
