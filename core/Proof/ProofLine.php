<?php

declare(strict_types=1);

namespace Ajuste\Core\Proof;

/** One posting on the control account, or one item of a customer, as the proof compares them. */
final class ProofLine
{
    public const CORRECTION = 'correction';

    public const OPENING_CORRECTION = 'opening_correction';

    /** Another line of the same side with the same document and amount; set while pairing. */
    public ?self $twin = null;

    /** Whether the line has found its counterpart; set while pairing. */
    public bool $paired = false;

    public readonly string $document;

    public readonly string $customer;

    public readonly string $entry;

    public readonly string $batch;

    /** Whether Ajuste posted it to put this side right, and for nothing else. */
    public readonly bool $corrects;

    /** The entry that this posting takes back, where that is known. */
    public readonly string $reverses;

    /**
     * @param int $amount minor units of base currency, debit-positive
     * @param string $kind of an item its kind, of a posting its source; of what Ajuste posted to put this side right, one of the constants
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
        $this->corrects = in_array($kind, [self::CORRECTION, self::OPENING_CORRECTION], true);
        $this->document = $names->document;
        $this->customer = $names->customer;
        $this->entry = $names->entry;
        $this->batch = $names->batch;
        $this->reverses = $names->reverses;
    }

    /** Balances brought forward are compared as one sum, not line by line. */
    public function isOpening(): bool
    {
        return $this->kind === 'opening' || $this->kind === self::OPENING_CORRECTION;
    }

    public function countsAt(string $asOf): int
    {
        return $this->date <= $asOf ? $this->amount : 0;
    }

    /** Whether one comes before the other: corrections last, by date and then by the order in which they were recorded. */
    public static function order(self $one, self $other): int
    {
        return $one->corrects <=> $other->corrects ?: $one->date <=> $other->date ?: $one->id <=> $other->id;
    }
}
