<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** One posting on the control account, or one item of a customer, as the proof compares them. */
final class ProofLine
{
    /** Another line of the same side with the same document and amount; set while pairing. */
    public ?self $twin = null;

    /** Whether the line has found its counterpart; set while pairing. */
    public bool $paired = false;

    public readonly string $document;

    public readonly string $customer;

    public readonly string $entry;

    public readonly string $batch;

    /** The entry that this posting takes back, where that is known. */
    public readonly string $reverses;

    /**
     * @param int $amount minor units of base currency, debit-positive
     * @param string $kind of an item its kind, of a posting its source
     * @param bool $own a line of a voucher of Ajuste that the ledger has not taken over yet
     */
    public function __construct(
        public readonly Book $book,
        public readonly int $id,
        public readonly string $date,
        public readonly int $amount,
        ProofNames $names,
        public readonly string $kind,
        public readonly string $text = '',
        public readonly bool $own = false,
    ) {
        $this->document = $names->document;
        $this->customer = $names->customer;
        $this->entry = $names->entry;
        $this->batch = $names->batch;
        $this->reverses = $names->reverses;
    }

    /** Balances brought forward are compared as one sum, not line by line. */
    public function isOpening(): bool
    {
        return $this->kind === 'opening';
    }

    public function countsAt(string $asOf): int
    {
        return $this->date <= $asOf ? $this->amount : 0;
    }

    /** Whether one comes before the other, by date and then by the order in which they were recorded. */
    public static function order(self $one, self $other): int
    {
        return $one->date <=> $other->date ?: $one->id <=> $other->id;
    }
}
