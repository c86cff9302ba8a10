<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Money\Money;

/** What is owed to a supplier by one document, or a credit of theirs that lessens it. */
final readonly class Bill
{
    /**
     * @param Money $open as of the day, in its currency
     * @param Money $carried carrying amount of what is open, base currency
     * @param bool $isCredit a credit or payment that is open: it lessens what is owed
     * @param bool $blocked it is being paid already
     */
    public function __construct(
        public int $id,
        public string $document,
        public string $date,
        public string $dueDate,
        public Money $open,
        public Money $carried,
        public bool $isCredit = false,
        public bool $blocked = false,
    ) {}

    /** The same bill after a part was taken. */
    public function less(BillPart $part): self
    {
        return new self(
            $this->id,
            $this->document,
            $this->date,
            $this->dueDate,
            $this->open->minus($part->amount),
            $this->carried->minus($part->base),
            $this->isCredit,
            $this->blocked,
        );
    }

    /** A part of what is open with its share of the carrying amount, rounded half away from zero; the last part takes what is left. */
    public function part(Money $amount): BillPart
    {
        return new BillPart($this, $amount, $amount->equals($this->open) ? $this->carried : $this->carried->share($amount, $this->open));
    }

    /** What it adds to what is owed to the supplier at the end of a day, base currency: a credit of theirs lessens it. */
    public function owedOn(string $day): Money
    {
        $nil = Money::zero($this->carried->currency);

        return match (true) {
            $this->date > $day => $nil,
            $this->isCredit => $this->carried->negated(),
            default => $this->carried,
        };
    }

    /** Oldest due first, then by document number. */
    public static function byAge(self $one, self $other): int
    {
        return [$one->dueDate, $one->document, $one->id] <=> [$other->dueDate, $other->document, $other->id];
    }
}
