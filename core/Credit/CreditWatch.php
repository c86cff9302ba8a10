<?php

declare(strict_types=1);

namespace Ajuste\Core\Credit;

use Ajuste\Core\Money\Money;

/** What a customer owes beside what was agreed: the credit limit, promises and securities, as of a day. */
final readonly class CreditWatch
{
    /**
     * @param Money $owed balance in the limit's currency, debit-positive
     * @param ?Money $limit null: none
     * @param list<Promise> $promises
     * @param list<Security> $securities
     */
    public function __construct(
        public string $asOf,
        public Money $owed,
        public ?Money $limit,
        public array $promises,
        public array $securities,
    ) {}

    /** By how much the balance is above the limit; null where it is not. */
    public function overLimit(): ?Money
    {
        return $this->limit !== null && $this->owed->isMoreThan($this->limit) ? $this->owed->minus($this->limit) : null;
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

    /** @return list<string> in few words, the worst first; none where nothing is to be said */
    public function says(): array
    {
        $words = [];
        if ($this->overLimit() !== null) {
            $words[] = "over limit by {$this->overLimit()->grouped()}";
        }
        foreach ($this->in(PromiseState::Broken) as $of) {
            $words[] = "promise of {$of->amount->grouped()} by {$of->payBy} broken";
        }
        foreach ($this->in(PromiseState::Waits) as $of) {
            $words[] = "promised {$of->amount->grouped()} by {$of->payBy}";
        }
        foreach ($this->holding() as $of) {
            $words[] = "secured {$of->amount->grouped()}";
        }

        return $words;
    }
}
