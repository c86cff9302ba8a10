<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;

/** What a bank booked as one: a movement, or the sum of several payments with each of them below it. */
final readonly class BankEntry
{
    /**
     * @param list<BankLine> $details none, or two and more
     *
     * @throws Refusal when the details do not add up to the whole
     */
    public function __construct(public BankLine $whole, public array $details = [])
    {
        $sum = Money::sum(array_map(static fn (BankLine $line): Money => $line->amount, $details), $whole->amount->currency);
        if ($details !== [] && ! $sum->equals($whole->amount)) {
            throw new Refusal(
                "The details of entry {$whole->references->bank} of {$whole->bookingDate} add up to {$sum->grouped()}, the entry says ".
                    "{$whole->amount->grouped()}. Ask the bank for it again.",
            );
        }
    }

    /** @return non-empty-list<BankLine> the movements that it brings: its details take the place of their sum */
    public function movements(): array
    {
        return $this->details === [] ? [$this->whole] : $this->details;
    }
}
