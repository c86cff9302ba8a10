<?php

declare(strict_types=1);

namespace Ajuste\Core\Movement;

use Ajuste\Core\Money\Money;
use Ajuste\Core\Subledger\Kind;

/** What items of one kind moved, in both columns. Base currency, debit-positive. */
final readonly class MovementPart
{
    /** The name of what the ledger has that pairs with no item. */
    public const UNPAIRED = 'unpaired';

    public Money $ledger;

    /**
     * @param ?Kind $kind null: what the ledger has that pairs with no item
     * @param Money $customers what the items moved
     * @param list<MovementCause> $causes of the proof that make the two differ
     */
    public function __construct(public ?Kind $kind, public Money $customers, public array $causes)
    {
        $apart = array_map(static fn (MovementCause $of): Money => $of->difference, $causes);
        $this->ledger = $customers->plus(Money::sum($apart, $customers->currency));
    }

    public function difference(): Money
    {
        return $this->ledger->minus($this->customers);
    }

    public function name(): string
    {
        return $this->kind->value ?? self::UNPAIRED;
    }

    public function words(): string
    {
        return $this->kind?->words() ?? 'posting that pairs with nothing';
    }

    public function isNil(): bool
    {
        return $this->customers->isZero() && $this->causes === [];
    }
}
