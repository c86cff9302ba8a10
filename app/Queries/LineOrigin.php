<?php

declare(strict_types=1);

namespace App\Queries;

/** Where a statement line came from, and where it belongs. */
final readonly class LineOrigin
{
    /**
     * @param string $way statement, cheque, cash or transfer
     * @param string $endToEnd the reference that the payer gave
     * @param ?int $batchId of receipts typed together
     * @param ?int $customerId whose it is, where a person said so
     * @param ?int $partOf the line that was divided into this and others
     * @param bool $isReversal whether the bank says that it takes another line back
     * @param ?int $mayBe a line that it may be once more, where nobody has answered yet
     * @param string $returnReason why a payment came back, the bank's code or blank
     */
    public function __construct(
        public string $way,
        public string $endToEnd,
        public ?int $batchId,
        public ?int $customerId,
        public ?int $partOf,
        public bool $isReversal,
        public ?int $mayBe = null,
        public string $returnReason = '',
    ) {}
}
