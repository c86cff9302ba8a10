<?php

declare(strict_types=1);

namespace Ajuste\Core\Credit;

/** What a customer owes beside what was agreed: the credit limit, promises and securities, as of a day. */
final readonly class CreditWatch
{
    /**
     * @param ?Owed $owed beside the limit; null: there is none
     * @param list<Promise> $promises
     * @param list<Security> $securities
     */
    public function __construct(public string $asOf, public ?Owed $owed, public array $promises, public array $securities) {}

    /** The promises and securities of one document; no limit. */
    public function ofItem(int $itemId): self
    {
        return new self(
            $this->asOf,
            null,
            array_values(array_filter($this->promises, static fn (Promise $of): bool => $of->itemId === $itemId)),
            array_values(array_filter($this->securities, static fn (Security $of): bool => $of->itemId === $itemId)),
        );
    }

    /** @return list<Promise> */
    public function in(PromiseState $state): array
    {
        return array_values(array_filter($this->promises, fn (Promise $of): bool => $of->state($this->asOf) === $state));
    }

    /** @return list<Security> those that hold on the day */
    public function holding(): array
    {
        return array_values(array_filter($this->securities, fn (Security $of): bool => $of->holdsOn($this->asOf)));
    }

    /** Whether there is nothing to be said of. */
    public function isEmpty(): bool
    {
        return $this->owed?->over() === null && $this->promises === [] && $this->holding() === [];
    }
}
