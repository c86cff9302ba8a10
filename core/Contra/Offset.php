<?php

declare(strict_types=1);

namespace Ajuste\Core\Contra;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\OpenItem;

/** What of a pair is set off. */
final readonly class Offset
{
    /**
     * @param string $document of the contra, on both sides
     * @param list<OffsetPart> $settledFirst what the customer's own credits take of its debits
     * @param list<OffsetPart> $credits the customer's own credits, whole
     * @param non-empty-list<OffsetPart> $debits what is set off of the customer's debits
     * @param non-empty-list<BillPart> $bills what is set off of the supplier's bills
     */
    public function __construct(
        public string $document,
        public Party $party,
        public Agreement $agreement,
        public array $settledFirst,
        public array $credits,
        public array $debits,
        public array $bills,
    ) {}

    /** The same under another number. */
    public function named(string $document): self
    {
        return new self($document, $this->party, $this->agreement, $this->settledFirst, $this->credits, $this->debits, $this->bills);
    }

    /**
     * What covers what, in the order in which both sides are taken: own credits first, then bills.
     *
     * @return list<Tie>
     */
    public function ties(): array
    {
        $credits = array_map(static fn (OffsetPart $part): array => [$part->item, $part->amount], $this->credits);
        $bills = array_map(static fn (BillPart $part): array => [$part->bill, $part->amount], $this->bills);

        return [...self::tied($credits, $this->settledFirst), ...self::tied($bills, $this->debits)];
    }

    /**
     * @param list<array{OpenItem|Bill, Money}> $from which come to what the debits do
     * @param list<OffsetPart> $debits
     * @return list<Tie>
     */
    private static function tied(array $from, array $debits): array
    {
        $ties = [];
        foreach ($debits as $part) {
            $left = $part->amount;
            while ($left->isPositive() && $from !== []) {
                [$of, $amount] = $from[0];
                $some = Money::least($left, $amount);
                $ties[] = new Tie($of, $part->item, $some);
                $left = $left->minus($some);
                $from[0][1] = $amount->minus($some);
                if ($from[0][1]->isZero()) {
                    array_shift($from);
                }
            }
        }

        return $ties;
    }

    /** What the customer's debits carry of it, base currency. */
    public function carried(): Money
    {
        $parts = array_map(static fn (OffsetPart $part): Money => $part->item->moves($part->amount), $this->debits);

        return Money::sum($parts, $parts[0]->currency);
    }

    /** In the pair's currency. */
    public function amount(): Money
    {
        return Money::sum(array_map(static fn (OffsetPart $part): Money => $part->amount, $this->debits), $this->party->currency);
    }
}
