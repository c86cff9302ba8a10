<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenInstalment;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Side;

/** An open item that a receipt could settle. Amounts are positive, minor units of the receipt's currency. */
final readonly class Candidate
{
    /**
     * @param int $open what the receipt's day leaves open of it
     * @param int $discount early payment discount available on that day if it is settled in full; nil for credits
     */
    public function __construct(
        public int $id,
        public string $document,
        public Side $side,
        public string $date,
        public string $dueDate,
        public int $open,
        public int $discount = 0,
        public string $reference = '',
    ) {}

    /** An open item, with the discount that settling all of it takes along. */
    public static function of(OpenItem $item, ?Money $discount): self
    {
        $reference = $item->isDebit() ? $item->head->reference : '';

        return new self(
            $item->id,
            $item->document,
            $item->head->side,
            $item->date,
            $item->dueDate,
            $item->takeable->minor,
            $discount->minor ?? 0,
            $reference,
        );
    }

    /** One open instalment of an invoice (R4): it is proposed by itself; the terms' discount is for the invoice as a whole. */
    public static function instalment(OpenItem $item, OpenInstalment $part): self
    {
        return new self($item->id, $item->document, $item->head->side, $item->date, $part->dueDate, $part->open, 0, $item->head->reference);
    }

    /** What settling it in full takes off the receipt: a debit above zero, a credit below. */
    public function gross(): int
    {
        return $this->side->sign() * $this->open;
    }

    public function net(): int
    {
        return $this->gross() - $this->discount;
    }

    /** Oldest due first, then by document number. */
    public static function byAge(self $one, self $other): int
    {
        return [$one->dueDate, $one->document, $one->id] <=> [$other->dueDate, $other->document, $other->id];
    }
}
