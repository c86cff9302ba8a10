<?php

declare(strict_types=1);

namespace Ajuste\Core\Movement;

use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;

/** One line of the roll-forward in both columns. Base currency, debit-positive. */
final readonly class MovementFigures
{
    /** @param  list<MovementPart>  $parts by the kind of item, those that are not nil; a balance has none */
    private function __construct(public MovementLine $line, public Money $ledger, public Money $customers, public array $parts) {}

    public static function balance(MovementLine $line, Money $ledger, Money $customers): self
    {
        return new self($line, $ledger, $customers, []);
    }

    /** @param  list<MovementPart>  $parts */
    public static function moved(MovementLine $line, array $parts, Currency $base): self
    {
        return new self(
            $line,
            Money::sum(array_map(static fn (MovementPart $of): Money => $of->ledger, $parts), $base),
            Money::sum(array_map(static fn (MovementPart $of): Money => $of->customers, $parts), $base),
            array_values(array_filter($parts, static fn (MovementPart $of): bool => ! $of->isNil())),
        );
    }

    public function difference(): Money
    {
        return $this->ledger->minus($this->customers);
    }

    /** @return list<MovementCause> of the proof that make the two differ */
    public function causes(): array
    {
        return array_merge(...array_map(static fn (MovementPart $of): array => $of->causes, $this->parts));
    }

    /** The part of a kind, by its name; null: nothing of that kind moved. */
    public function part(string $name): ?MovementPart
    {
        foreach ($this->parts as $part) {
            if ($part->name() === $name) {
                return $part;
            }
        }

        return null;
    }
}
