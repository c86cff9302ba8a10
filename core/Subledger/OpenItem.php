<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Posting\Ref;
use LogicException;

/** An item with where it stands as of a day. Amounts are positive; the side says which way they go. */
final readonly class OpenItem
{
    /** Tells it apart: its key in the books, below zero where a plan makes it. */
    public int $id;

    public string $document;

    public Kind $kind;

    public string $date;

    public string $dueDate;

    /** Open at the day's end, in its currency. */
    public Money $open;

    /** What a match of the day may take, in its currency: open then, and not taken on a later day. */
    public Money $takeable;

    /**
     * @param Ref $ref the item in the books, or its place in a plan
     * @param Money $amount the whole item, in its currency
     * @param Money $base carrying amount of the whole item
     * @param list<Unrealised> $unrealised exchange differences that stand on it; the part settled gives its share back
     */
    private function __construct(
        public Ref $ref,
        public ItemHead $head,
        public Money $amount,
        public Money $base,
        public Position $position,
        public array $unrealised = [],
    ) {
        if ($amount->isNegative() || $base->isNegative() || $position->taken > $amount->minor) {
            throw new LogicException("{$head->title()}: {$position->taken} of {$amount->minor} cannot be taken.");
        }
        [$this->id, $this->document, $this->kind] = [$ref->id, $head->document, $head->kind];
        [$this->date, $this->dueDate] = [$head->date, $head->dueDate];
        $this->open = $position->matched === 0 ? $amount : Money::ofMinor($amount->minor - $position->matched, $amount->currency);
        $this->takeable = $position->taken === $position->matched
            ? $this->open
            : Money::ofMinor($amount->minor - $position->taken, $amount->currency);
    }

    /**
     * An item of the books.
     *
     * @param list<Unrealised> $unrealised
     */
    public static function of(int $id, ItemHead $head, Money $amount, Money $base, Position $position, array $unrealised = []): self
    {
        return new self(Ref::existing($id), $head, $amount, $base, $position, $unrealised);
    }

    /** An item that a plan makes: all of it is open. */
    public static function planned(Ref $ref, ItemHead $head, Money $amount, Money $base): self
    {
        return new self($ref, $head, $amount, $base, Position::untouched());
    }

    public function title(): string
    {
        return $this->head->title();
    }

    public function isDebit(): bool
    {
        return $this->head->side === Side::Debit;
    }

    /** An amount of it as it counts on its side: a debit above zero. */
    public function signed(Money $amount): Money
    {
        return $this->head->side->signed($amount);
    }

    /** What it still carries at the day's end, base currency, positive. */
    public function carried(): Money
    {
        return Money::ofMinor($this->base->minor - $this->position->moved, $this->base->currency);
    }

    /** The same item as if nothing had happened after the day. */
    public function atDaysEnd(): self
    {
        return new self(
            $this->ref,
            $this->head,
            $this->amount,
            $this->base,
            Position::resting($this->position->matched, $this->position->moved),
            $this->unrealised,
        );
    }

    /**
     * The same item as it counts in a match where it is worth something else than what it stands for: with its tax, or in another currency.
     */
    public function countedAs(Money $worth): self
    {
        return new self($this->ref, $this->head, $worth, $this->base, Position::untouched());
    }

    /**
     * The same item after a plan has taken a further part of it.
     *
     * @param Money $part in the item's currency
     * @param Money $base what that moves off, base currency
     */
    public function less(Money $part, Money $base): self
    {
        $had = $this->position;
        $position = new Position(
            $had->matched + $part->minor,
            $had->moved + $base->minor,
            $had->taken + $part->minor,
            $had->allMatched + $part->minor,
            $had->allMoved + $base->minor,
            $had->freeFrom,
        );

        return new self($this->ref, $this->head, $this->amount, $this->base, $position, $this->unrealised);
    }

    /**
     * What the next part of it moves off, base currency (R1): rounded so that the parts add up to the whole.
     *
     * @param Money $part in the item's currency
     */
    public function moves(Money $part): Money
    {
        $moved = CarryingAmount::movedBy(
            $this->base->minor,
            $this->amount->minor,
            $this->position->allMatched,
            $this->position->allMoved,
            $part->minor,
        );

        return $moved === $part->minor && $part->isIn($this->base->currency) ? $part : Money::ofMinor($moved, $this->base->currency);
    }

    /** Oldest due first, then by document number. */
    public static function byAge(self $one, self $other): int
    {
        return [$one->dueDate, $one->document, $one->id] <=> [$other->dueDate, $other->document, $other->id];
    }
}
