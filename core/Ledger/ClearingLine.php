<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

/** A line on an account that must clear. */
final readonly class ClearingLine
{
    /**
     * @param string $document blank where the line names none; batch alike
     * @param int $base minor units of base currency, debit-positive
     */
    public function __construct(
        public int $id,
        public string $date,
        public string $document,
        public string $batch,
        public string $entry,
        public string $customer,
        public string $description,
        public int $base,
    ) {}

    /** What it has in common with the lines that it clears. */
    public function name(): string
    {
        return match (true) {
            $this->document !== '' => $this->document,
            $this->batch !== '' => $this->batch,
            default => $this->entry,
        };
    }

    /** The later of the two, with the day of the earlier and whatever customer one of them names. */
    public function with(self $other): self
    {
        $last = $other->id > $this->id ? $other : $this;

        return new self(
            $last->id,
            min($this->date, $other->date),
            $last->document,
            $last->batch,
            $last->entry,
            max($this->customer, $other->customer),
            $last->description,
            $last->base,
        );
    }
}
